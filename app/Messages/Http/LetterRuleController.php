<?php

declare(strict_types=1);

namespace App\Messages\Http;

use App\Messages\Actions\KeepLetterRules;
use App\Models\FormLetter;
use App\Models\LetterRule;
use App\Models\Office;
use App\Models\User;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;
use Unanimus\Messages\LetterAudience;
use Unanimus\Messages\LetterEvent;
use Unanimus\Terms\Term;

/** Letters that go out by themselves in an office, and the log of what they did. */
final class LetterRuleController
{
    public function index(Request $request): View
    {
        Gate::authorize('letter-rules');
        $offices = self::offices(User::signedIn($request));

        return view('messages.rules', [
            'offices' => $offices,
            'rules' => LetterRule::query()->with(['letter', 'office'])->whereNull('removed_at')
                ->whereIn('office_id', $offices->pluck('id'))->orderBy('id')->get(),
            'letters' => FormLetter::inUse(User::signedIn($request))->whereNull('user_id'),
            'anchors' => Term::anchors(),
            'log' => DB::table('letter_rule_log')
                ->join('deal_files', 'deal_files.id', 'letter_rule_log.deal_file_id')
                ->join('letter_rules', 'letter_rules.id', 'letter_rule_log.letter_rule_id')
                ->whereIn('letter_rules.office_id', $offices->pluck('id'))
                ->orderByDesc('letter_rule_log.id')
                ->limit(100)
                ->get(['letter_rule_log.*', 'deal_files.name as file', 'deal_files.key as file_key']),
        ]);
    }

    public function store(Request $request, KeepLetterRules $rules): RedirectResponse
    {
        Gate::authorize('letter-rules');
        $given = $request->validate([
            'office' => 'required|string|size:26',
            'letter' => 'required|string|size:26',
            'event' => ['required', Rule::enum(LetterEvent::class)],
            'status' => ['nullable', Rule::in(LetterRule::statuses())],
            'date' => ['nullable', Rule::in(array_map(static fn (Term $term) => $term->value, Term::anchors()))],
            'document' => 'nullable|string|max:80',
            'days' => 'nullable|integer|min:0|max:60',
            'audience' => 'nullable|array',
            'audience.*' => [Rule::enum(LetterAudience::class)],
        ]);
        $office = self::offices(User::signedIn($request))->firstWhere('key', $given['office']) ?? abort(403);
        $letter = FormLetter::inUse(User::signedIn($request))->whereNull('user_id')->firstWhere('key', $given['letter']) ?? abort(404);
        $event = LetterEvent::from($given['event']);
        $detail = match ($event) {
            LetterEvent::Status => (string) ($given['status'] ?? LetterRule::statuses()[0]),
            LetterEvent::Coming => (string) ($given['date'] ?? Term::Closing->value),
            LetterEvent::Accepted => (string) ($given['document'] ?? ''),
            LetterEvent::RoundComplete => '',
        };
        $rules->add($office, $letter, $event, $detail, (int) ($given['days'] ?? 0), array_map(LetterAudience::from(...),
            $given['audience'] ?? []));

        return to_route('letter-rules')->with('told', 'Saved. It is off until you turn it on.');
    }

    public function turn(Request $request, LetterRule $rule, KeepLetterRules $rules): RedirectResponse
    {
        Gate::authorize('letter-rules');
        self::offices(User::signedIn($request))->contains('id', $rule->office_id) || abort(403);
        $rules->turn($rule, $request->boolean('on'));

        return to_route('letter-rules')->with('told', $request->boolean('on') ? 'It is on from now.' : 'It is off.');
    }

    public function destroy(Request $request, LetterRule $rule, KeepLetterRules $rules): RedirectResponse
    {
        Gate::authorize('letter-rules');
        self::offices(User::signedIn($request))->contains('id', $rule->office_id) || abort(403);
        $rules->remove($rule);

        return to_route('letter-rules')->with('told', 'Removed. What it did stays in the log.');
    }

    /** @return \Illuminate\Support\Collection<int, Office> those whose letters the person sets */
    private static function offices(User $user): \Illuminate\Support\Collection
    {
        return Office::query()->orderBy('name')->get()->filter(static fn (Office $office) => $user->runs($office))->toBase();
    }
}
