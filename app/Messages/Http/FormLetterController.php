<?php

declare(strict_types=1);

namespace App\Messages\Http;

use App\Messages\Actions\KeepFormLetters;
use App\Messages\MessageFacts;
use App\Models\DealFile;
use App\Models\FormLetter;
use App\Models\Office;
use App\Models\User;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use Unanimus\Messages\MergeFields;
use Unanimus\Messages\MessagePlan;

/** Letters that are sent again and again: the office's and one's own, tried with any file. */
final class FormLetterController
{
    public function index(Request $request): View
    {
        Gate::authorize('form-letters');
        $user = User::signedIn($request);

        return view('messages.letters', [
            'letters' => FormLetter::query()
                ->with('office')
                ->where(static fn ($letters) => $letters->whereNull('office_id')
                    ->orWhereIn('office_id', $user->officeRoles->pluck('office_id')))
                ->orderByRaw('put_away_at IS NOT NULL, user_id IS NOT NULL, lower(name)')->limit(300)->get(),
            'keeps' => Gate::allows('keep-form-letters'),
            'user' => $user,
        ]);
    }

    public function show(Request $request, ?FormLetter $letter = null): View
    {
        Gate::authorize('form-letters');
        $user = User::signedIn($request);
        $file = DealFile::query()->where('key', (string) $request->query('file', ''))->first();
        $files = DealFile::query()->whereIn('status', ['active', 'under_contract'])->where('practice', false)->orderByDesc('id')
            ->limit(50)->get();
        $file ??= $files->first();

        return view('messages.letter', [
            'letter' => $letter,
            'fields' => MergeFields::all(),
            'keeps' => $letter === null || $letter->user_id === $user->id || Gate::allows('keep-form-letters'),
            'mayShare' => Gate::allows('keep-form-letters'),
            'offices' => Office::query()->whereIn('id', $user->officeRoles->pluck('office_id'))->orderBy('name')->get(),
            'versions' => $letter === null ? [] : DB::table('form_letter_versions')
                ->leftJoin('users', 'users.id', 'form_letter_versions.made_by')
                ->where('form_letter_id', $letter->id)
                ->orderByDesc('version')
                ->limit(50)
                ->get(['form_letter_versions.*', 'users.name as maker']),
            'files' => $files,
            'file' => $file,
            ...$letter === null || $file === null ? [] : $this->tried($letter, $file, $user),
        ]);
    }

    public function store(Request $request, KeepFormLetters $keep): RedirectResponse
    {
        Gate::authorize('form-letters');
        $given = self::given($request);
        $own = ! Gate::allows('keep-form-letters') || ($given['own'] ?? '') === '1';
        $user = User::signedIn($request);
        $office = ($given['office'] ?? '') === '' ? null : Office::query()
            ->where('key', $given['office'])
            ->whereIn('id', $user->officeRoles->pluck('office_id'))
            ->firstOrFail();
        $letter = $keep->keep(null, $given['name'], $given['subject'], $given['body'], $own, null, $user, $office);

        return to_route('form-letters.show', $letter)->with('told', 'The form letter was saved.');
    }

    public function update(Request $request, FormLetter $letter, KeepFormLetters $keep): RedirectResponse
    {
        self::mustKeep($letter, User::signedIn($request));
        $given = self::given($request);
        $seen = (int) ($given['seen'] ?? 0) ?: null;
        $keep->keep($letter, $given['name'], $given['subject'], $given['body'], false, $seen, User::signedIn($request));

        return to_route('form-letters.show', $letter)->with('told', 'The form letter was saved.');
    }

    public function away(Request $request, FormLetter $letter, KeepFormLetters $keep): RedirectResponse
    {
        self::mustKeep($letter, User::signedIn($request));
        $keep->putAway($letter, $request->boolean('away'));

        return to_route('form-letters')->with('told', $request
            ->boolean('away') ? 'Archived. You can bring it back.' : 'It is in use again.');
    }

    /** The text at the foot of one's own letters. */
    public function sign(Request $request, KeepFormLetters $keep): RedirectResponse
    {
        Gate::authorize('form-letters');
        $given = $request->validate(['signature' => 'nullable|string|max:1000']);
        $keep->sign(User::signedIn($request), (string) ($given['signature'] ?? ''));

        return to_route('form-letters')->with('told', 'Your email signature was saved.');
    }

    /** @return array<string, mixed> the letter as it would be read in a file */
    private function tried(FormLetter $letter, DealFile $file, User $user): array
    {
        $file->load(['office', 'parties', 'knownFacts']);
        $people = MessageController::people($file);
        $own = [...MessageFacts::sender($file, $user), ...$people === [] ? [] : MessagePlan::about([$people[0]]),
            'event' => 'The status changed to under contract'];
        $facts = MessageFacts::of($file);

        return [
            'filledSubject' => MergeFields::fill($letter->subject, $facts, $own),
            'filledBody' => MergeFields::fill($letter->body, $facts, $own),
        ];
    }

    /** @return array<string, string> */
    private static function given(Request $request): array
    {
        return array_map(static fn (mixed $value) => (string) $value, $request->validate([
            'name' => 'nullable|string|max:80',
            'subject' => 'nullable|string|max:300',
            'body' => 'nullable|string|max:20000',
            'own' => 'nullable|in:0,1',
            'office' => 'nullable|string|size:26',
            'seen' => 'nullable|integer',
        ])) + ['name' => '', 'subject' => '', 'body' => ''];
    }

    private static function mustKeep(FormLetter $letter, User $user): void
    {
        $isTheirs = $letter->office_id === null || $user->officeRoles->contains('office_id', $letter->office_id);
        abort_unless($letter->user_id === $user->id || ($letter->user_id === null && $isTheirs && Gate::allows('keep-form-letters')), 403);
    }
}
