<?php

declare(strict_types=1);

namespace App\Roster\Http;

use App\Models\Cover;
use App\Models\DealFile;
use App\Models\HeldCredential;
use App\Models\Office;
use App\Models\OfficeRole;
use App\Models\Role;
use App\Models\RosterCase;
use App\Models\RosterStep;
use App\Models\User;
use App\Roster\Actions\KeepRoster;
use App\Roster\OpenFiles;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;
use Unanimus\Dates\LocalDate;
use Unanimus\Roster\Credential;
use Unanimus\Roster\FileFate;
use Unanimus\Roster\LeavingPlan;
use Unanimus\Roster\RosterKind;

/** People coming and going, what each holds, and who works on whose files. */
final class RosterController
{
    public function index(Request $request): View
    {
        Gate::authorize('roster');
        $user = User::signedIn($request);

        return view('roster.index', [
            'user' => $user,
            'runs' => Gate::allows('run-office'),
            'cases' => RosterCase::query()->with(['person', 'office', 'steps'])->whereNull('canceled_at')
                ->where(static fn ($cases) => $cases->whereNull('settled_at')->orWhere('settled_at', '>', now()->subDays(60)))
                ->orderBy('day')->limit(200)->get()
                ->filter(static fn (RosterCase $case) => self::sees($case, $user)),
            'credentials' => HeldCredential::query()->with('user.officeRoles.office')->whereNull('dropped_at')->orderBy('expires_on')
                ->limit(300)->get()
                ->filter(static fn (HeldCredential $held) => $held->user_id === $user->id || $held->user->officeRoles->contains(
                    static fn (OfficeRole $one) => $user->runs($one->office),
                )),
            'covers' => Cover::query()->with(['user', 'helper'])->whereNull('ended_at')->orderBy('id')->limit(300)->get(),
            'people' => User::colleagues()->where('active', true)->orderBy('name')->get(),
            'offices' => Office::query()->orderBy('name')->get()->filter(static fn (Office $office) => $user->runs($office)),
        ]);
    }

    public function begin(Request $request, KeepRoster $roster): RedirectResponse
    {
        Gate::authorize('run-office');
        $given = $request->validate([
            'kind' => ['required', Rule::enum(RosterKind::class)],
            'person' => 'required|string|size:26',
            'office' => 'required|string|size:26',
            'day' => 'required|string|max:40',
        ]);
        $office = Office::query()->where('key', $given['office'])->firstOrFail();
        $case = $roster->begin(
            RosterKind::from($given['kind']),
            User::colleagues()->where('key', $given['person'])->firstOrFail(),
            $office,
            LocalDate::parse($given['day'], $office->today()),
            User::signedIn($request),
        );

        return to_route('roster.show', $case)->with('told', 'Everybody who has something to do gets an email.');
    }

    public function show(Request $request, RosterCase $case): View
    {
        self::maySee($case, User::signedIn($request));
        $case->load(['person', 'office', 'steps.doer', 'papers']);
        $files = $case->kind === RosterKind::Leaving && $case->isOpen() ? OpenFiles::of($case->person) : collect();
        $fates = DB::table('roster_fates')->leftJoin('users', 'users.id', 'roster_fates.to_user')->where('roster_case_id', $case->id)
            ->get(['deal_file_id', 'fate', 'users.key as to', 'users.name as to_name'])->keyBy('deal_file_id');
        $plan = new LeavingPlan($case->person->key, $files->filter(static fn (DealFile $file) => isset($fates[$file->id]))->mapWithKeys(
            static fn (DealFile $file) => [$file->key => ['fate' => FileFate::from($fates[$file->id]->fate), 'to' => $fates[$file->id]
                ->to]],
        )->all());

        return view('roster.case', [
            'case' => $case,
            'user' => User::signedIn($request),
            'runs' => User::signedIn($request)->runs($case->office),
            'files' => $files,
            'fates' => $fates,
            'undecided' => count($plan->undecided(array_values($files->pluck('key')->all()))),
            'agents' => User::query()->whereIn('key', OpenFiles::agents())->where('id', '<>', $case->user_id)->orderBy('name')->get(),
        ]);
    }

    public function update(Request $request, RosterCase $case, KeepRoster $roster): RedirectResponse
    {
        $given = $request->validate([
            'do' => 'required|in:change,cancel,finish,papers',
            'day' => 'nullable|string|max:40',
            'goes_to' => 'nullable|string|max:120',
        ]);
        $user = User::signedIn($request);
        abort_unless($user->runs($case->office), 403);
        if ($given['do'] === 'papers') {
            return redirect()->to("/files/{$roster->papers($case, $user)->key}");
        }
        match ($given['do']) {
            'change' => $roster->change($case, LocalDate::parse((string) ($given['day'] ?? ''), $case->office->today()),
                (string) ($given['goes_to'] ?? ''),
                $user),
            'cancel' => $roster->cancel($case, $user),
            default => $roster->finish($case, $user),
        };

        return to_route('roster.show', $case)->with('told', ['change' => 'Saved.', 'cancel' => 'Canceled. Nothing changes.',
            'finish' => 'Done.'][$given['do']]);
    }

    public function fates(Request $request, RosterCase $case, KeepRoster $roster): RedirectResponse
    {
        $user = User::signedIn($request);
        abort_unless($user->runs($case->office), 403);
        $given = $request->validate([
            'files' => 'required|array|min:1|max:300',
            'files.*' => 'string|size:26',
            'fate' => ['required', Rule::enum(FileFate::class)],
            'agent' => 'nullable|string|size:26',
        ]);
        $to = ($given['agent'] ?? '') === '' ? null : User::colleagues()->where('key', $given['agent'])->first();
        $files = OpenFiles::of($case->person)->whereIn('key', $given['files']);
        foreach ($files as $file) {
            $roster->decide($case, $file, FileFate::from($given['fate']), $to, $user);
        }
        $count = $files->count() === 1 ? 'One file' : "{$files->count()} files";

        return to_route('roster.show', $case)->with('told', "{$count} decided.");
    }

    public function addStep(Request $request, RosterCase $case, KeepRoster $roster): RedirectResponse
    {
        abort_unless(User::signedIn($request)->runs($case->office), 403);
        $given = $request->validate(['title' => 'nullable|string|max:160', 'by' => ['required', Rule::enum(Role::class)],
            'due' => 'nullable|string|max:40']);
        $due = ($given['due'] ?? '') === '' ? null : LocalDate::parse($given['due'], $case->office->today());
        $roster->step($case, (string) ($given['title'] ?? ''), Role::from($given['by']), $due);

        return to_route('roster.show', $case)->with('told', 'Added.');
    }

    public function mark(Request $request, RosterStep $step, KeepRoster $roster): RedirectResponse
    {
        self::maySee($step->case, User::signedIn($request));
        $roster->mark($step, $request->boolean('done'), User::signedIn($request));

        return to_route('roster.show', $step->case)->with('told', $request->boolean('done') ? 'Done.' : 'Open again.');
    }

    public function hold(Request $request, User $user, KeepRoster $roster): RedirectResponse
    {
        Gate::authorize('run-office');
        Gate::authorize('keep-plans-of', $user);
        $given = $request->validate([
            'kind' => ['required', Rule::enum(Credential::class)],
            'number' => 'nullable|string|max:60',
            'expires' => 'required|string|max:40',
        ]);
        $today = LocalDate::at(now(), new \DateTimeZone($user->zone()));
        $roster->hold($user, Credential::from($given['kind']), (string) ($given['number'] ?? ''), LocalDate::parse($given['expires'],
            $today));

        return to_route('roster')->with('told', "Saved for {$user->name}. Reminders go out 60, 30 and 7 days before.");
    }

    private static function maySee(RosterCase $case, User $user): void
    {
        abort_unless(self::sees($case, $user), 403);
    }

    /** Whoever has something to do there, and the person themselves. */
    private static function sees(RosterCase $case, User $user): bool
    {
        return $case->user_id === $user->id || $user->officeRoles->contains(
            static fn (OfficeRole $one) => $one->office_id === $case->office_id && $one->role !== Role::Agent,
        );
    }
}
