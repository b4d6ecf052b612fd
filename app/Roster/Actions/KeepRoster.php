<?php

declare(strict_types=1);

namespace App\Roster\Actions;

use App\Files\Actions\OpenFile;
use App\History\History;
use App\Mail\Addressee;
use App\Mail\Post;
use App\Mail\Wording;
use App\Models\DealFile;
use App\Models\HeldCredential;
use App\Models\Office;
use App\Models\OfficeRole;
use App\Models\Role;
use App\Models\RosterCase;
use App\Models\RosterStep;
use App\Models\User;
use App\Roster\OpenFiles;
use Illuminate\Support\Facades\DB;
use Unanimus\Dates\LocalDate;
use Unanimus\Parties\DealKind;
use Unanimus\Parties\Representation;
use Unanimus\Roster\Credential;
use Unanimus\Roster\FileFate;
use Unanimus\Roster\LeavingPlan;
use Unanimus\Roster\RosterKind;
use Unanimus\Roster\RosterRefusal;
use Unanimus\Steps\StepRefused;

/** Somebody comes or goes: what is to be done, by whom and until when; what becomes of each open file; what they must hold and renew. */
final class KeepRoster
{
    public function __construct(private readonly OpenFile $open)
    {
    }

    /** @throws StepRefused when they do not run that office, or one is open already */
    public function begin(RosterKind $kind, User $person, Office $office, LocalDate $day, User $by): RosterCase
    {
        $by->runs($office) || throw RosterRefusal::NotTheirs->because(office: $office->name);
        DB::table('users')->where('id', $person->id)->lockForUpdate()->value('id');
        RosterCase::query()->where(['user_id' => $person->id, 'kind' => $kind])->whereNull('settled_at')->whereNull('canceled_at')->exists()
            && throw RosterRefusal::Already->because(name: $person->name);
        $kind === RosterKind::Leaving && $person->holds(Role::Administrator) && ! self::hasOtherAdministrator($person)
            && throw RosterRefusal::LastAdministrator->because(name: $person->name);
        $case = RosterCase::create([
            'brokerage_id' => $person->brokerage_id,
            'user_id' => $person->id,
            'office_id' => $office->id,
            'kind' => $kind,
            'day' => $day->iso(),
            'created_by' => $by->id,
        ]);
        foreach (KeepRosterKit::of($office, $kind)[0]->steps as $step) {
            $this->step($case, $step['title'], Role::from($step['by']), $day->plusDays(-$step['before']));
        }
        History::ofBrokerage($person->brokerage_id, $kind === RosterKind::Joining ? 'Joining begun' : 'Leaving begun', [
            'person' => $person->name,
            'day' => $day->iso(),
        ], $office->id);
        $this->tell($case);

        return $case;
    }

    /** The file for its papers, with what is expected; opened once. */
    public function papers(RosterCase $case, User $by): DealFile
    {
        DB::table('roster_cases')->where('id', $case->id)->lockForUpdate()->value('id');
        $case->refresh();
        if ($case->papers_file !== null) {
            return DealFile::query()->findOrFail($case->papers_file);
        }
        $file = ($this->open)($by, Representation::Both, DealKind::Papers, $case->office_id,
            "{$case->kind->label()}: {$case->person->name}");
        $file->update(['status' => 'active']);
        foreach (KeepRosterKit::of($case->office, $case->kind)[0]->documents as $index => $title) {
            $file->papers()->create([
                'brokerage_id' => $file->brokerage_id,
                'title' => $title,
                'stage' => 'opening',
                'state' => 'expected',
                'position' => $index + 1,
                'reason' => $case->kind->label(),
                'called_by' => 'person',
            ]);
        }
        $case->update(['papers_file' => $file->id]);

        return $file;
    }

    /** @throws StepRefused when it has no title */
    public function step(RosterCase $case, string $title, Role $by, ?LocalDate $due): RosterStep
    {
        trim($title) === '' && throw RosterRefusal::NoTitle->because();

        return RosterStep::create([
            'brokerage_id' => $case->brokerage_id,
            'roster_case_id' => $case->id,
            'title' => trim($title),
            'by_role' => $by,
            'due_on' => $due?->iso(),
        ]);
    }

    /** @throws StepRefused when they hold neither the role nor the office */
    public function mark(RosterStep $step, bool $done, User $by): void
    {
        $case = $step->case;
        $by->holds($step->by_role, $case->office_id) || $by->runs($case->office)
            || throw RosterRefusal::NotTheirs->because(office: $case->office->name);
        DB::table('roster_steps')->where('id', $step->id)->whereNull('done_at', not: ! $done)
            ->update(['done_at' => $done ? now() : null, 'done_by' => $done ? $by->id : null]);
    }

    /** @throws StepRefused when it cannot be decided so */
    public function decide(RosterCase $case, DealFile $file, FileFate $fate, ?User $to, User $by): void
    {
        $by->runs($case->office) || throw RosterRefusal::NotTheirs->because(office: $case->office->name);
        $case->isOpen() || throw RosterRefusal::Settled->because();
        (new LeavingPlan($case->person->key, []))->decide($fate, $to?->key, OpenFiles::agents());
        DB::table('roster_fates')->upsert([
            'roster_case_id' => $case->id,
            'brokerage_id' => $case->brokerage_id,
            'deal_file_id' => $file->id,
            'fate' => $fate->value,
            'to_user' => $fate === FileFate::Move ? $to?->id : null,
            'decided_at' => now(),
        ], ['roster_case_id', 'deal_file_id'], ['fate', 'to_user', 'decided_at']);
    }

    /** @throws StepRefused when they do not run the office */
    public function change(RosterCase $case, LocalDate $day, string $goesTo, User $by): void
    {
        $by->runs($case->office) || throw RosterRefusal::NotTheirs->because(office: $case->office->name);
        $case->isOpen() || throw RosterRefusal::Settled->because();
        $case->day->is($day) || History::ofBrokerage($case->brokerage_id, 'Last or first day moved', [
            'person' => $case->person->name,
            'from' => $case->day->iso(),
            'to' => $day->iso(),
        ], $case->office_id);
        $case->update(['day' => $day->iso(), 'goes_to' => mb_substr(trim($goesTo), 0, 120)]);
    }

    /** They stay, or do not come after all. */
    public function cancel(RosterCase $case, User $by): void
    {
        $by->runs($case->office) || throw RosterRefusal::NotTheirs->because(office: $case->office->name);
        if (! $case->isOpen()) {
            return;
        }
        $case->update(['canceled_at' => now()]);
        History::ofBrokerage($case->brokerage_id, "{$case->kind->label()} canceled", ['person' => $case->person->name], $case->office_id);
    }

    /** Joining ends when everything is done. */
    public function finish(RosterCase $case, User $by): void
    {
        $by->runs($case->office) || throw RosterRefusal::NotTheirs->because(office: $case->office->name);
        $case->isOpen() && $case->kind === RosterKind::Joining && $case->update(['settled_at' => now()]);
    }

    public function hold(User $person, Credential $kind, string $number, LocalDate $expires): HeldCredential
    {
        $held = HeldCredential::create([
            'brokerage_id' => $person->brokerage_id,
            'user_id' => $person->id,
            'kind' => $kind,
            'number' => mb_substr(trim($number), 0, 60),
            'expires_on' => $expires->iso(),
        ]);
        // The one before is renewed by it.
        HeldCredential::query()->where(['user_id' => $person->id, 'kind' => $kind])->where('id', '<>', $held->id)
            ->where('expires_on', '<', $expires->iso())->whereNull('dropped_at')->update(['dropped_at' => now()]);
        History::ofBrokerage($person->brokerage_id, 'Credential noted', [
            'person' => $person->name,
            'what' => $kind->label(),
            'until' => $expires->iso(),
        ]);

        return $held;
    }

    /** Everybody who has something to do is told. */
    private function tell(RosterCase $case): void
    {
        $steps = $case->steps()->get()->groupBy(static fn (RosterStep $step) => $step->by_role->value);
        $people = OfficeRole::query()->where('office_id', $case->office_id)->whereIn('role', $steps->keys())->get();
        foreach ($people->groupBy('user_id') as $id => $roles) {
            $user = User::query()->where('active', true)->find($id);
            $own = $roles->flatMap(static fn (OfficeRole $one) => $steps[$one->role->value] ?? []);
            if ($user === null || $own->isEmpty()) {
                continue;
            }
            Post::toColleague(
                $case->brokerage_id,
                "roster:{$case->key}:{$user->key}",
                Addressee::user($user),
                Wording::of('roster', [
                    'who' => $case->person->name,
                    'what' => $case->kind === RosterKind::Joining ? 'joins' : 'leaves',
                    'day' => $case->day->long(),
                    'steps' => $own->map(static fn (RosterStep $step) => "- {$step->title}")->unique()->implode("\n"),
                ]),
                "/office/roster/{$case->key}",
            );
        }
    }

    private static function hasOtherAdministrator(User $person): bool
    {
        return OfficeRole::query()->where('role', Role::Administrator)->where('user_id', '<>', $person->id)
            ->whereIn('user_id', User::query()->where('active', true)->select('id'))->exists();
    }
}
