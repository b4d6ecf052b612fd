<?php

declare(strict_types=1);

namespace App\Signing\Actions;

use App\History\History;
use App\Models\Round;
use App\Models\User;
use Closure;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Unanimus\Files\SeenBy;
use Unanimus\Signing\DeskChange;
use Unanimus\Signing\RoundStatus;

/**
 * Keeps what each step on the desk of a round has changed, takes it back and does it again: each person their own steps, on any
 * device and on any day until the round is sent.
 */
final class TakeDeskStep
{
    /** What of a signer and of a paper that stay is arranged on the desk; the rest is entered in fields, or was only looked at. */
    private const ARRANGED = [
        'signers' => ['key', 'seat', 'turn', 'part', 'name', 'initials', 'capacity', 'company'],
        'papers' => ['paper_id', 'place', 'unclear', 'stencil'],
    ];

    /**
     * Does something on the desk and keeps how to take it back. What is done under the same word is one step.
     *
     * @template T
     *
     * @param Closure(): T $does
     * @return T
     */
    public function take(Round $round, string $step, User $by, Closure $does): mixed
    {
        $isDraft = DB::table('rounds')->where('id', $round->id)->lockForUpdate()->value('status') === RoundStatus::Drafting->value;
        $before = $isDraft ? self::desk($round) : [];
        $done = $does();
        if (! $isDraft) {
            return $done;
        }
        $change = DeskChange::between(self::arranged($before), self::arranged($after = self::desk($round)));
        $change = self::whole($change, $before, $after);
        if ($change->isNone()) {
            return $done;
        }
        // Whoever goes on from here does not do again what they took back.
        self::own($round, $by)->where('taken_back', true)->delete();
        $same = self::own($round, $by)->where('step', $step)->value('change');
        if ($same === null) {
            DB::table('desk_steps')->insert([
                'brokerage_id' => $round->brokerage_id,
                'deal_file_id' => $round->deal_file_id,
                'round_id' => $round->id,
                'user_id' => $by->id,
                'step' => $step,
                'change' => self::stored($change),
            ]);
        } else {
            self::own($round, $by)->where('step', $step)->update(['change' => self::stored(self::read($same)->then($change))]);
        }

        return $done;
    }

    /** A word for a step that is done at once. */
    public static function word(): string
    {
        return (string) Str::ulid();
    }

    /** Takes a step back, if it is the last of theirs; otherwise it was taken back before. @throws \Unanimus\Steps\StepRefused once sent */
    public function back(Round $round, string $step, User $by): void
    {
        $this->turn($round, $step, $by, 'back');
    }

    /** Does again what was taken back, if it is the next. @throws \Unanimus\Steps\StepRefused once sent */
    public function again(Round $round, string $step, User $by): void
    {
        $this->turn($round, $step, $by, 'again');
    }

    private function turn(Round $round, string $step, User $by, string $way): void
    {
        RoundStatus::from((string) DB::table('rounds')->where('id', $round->id)->lockForUpdate()->value('status'))->mustBeDraft();
        if (self::next($round, $by)[$way] !== $step) {
            return;
        }
        $change = self::read((string) self::own($round, $by)->where('step', $step)->value('change'));
        $this->write($round, ($way === 'back' ? $change->back() : $change)->onto(self::desk($round)));
        self::own($round, $by)->where('step', $step)->update(['taken_back' => $way === 'back']);
        History::add(
            $round->brokerage_id,
            $round->deal_file_id,
            $way === 'back' ? 'Step on round undone' : 'Step on round redone',
            ['round' => $round->title],
            SeenBy::side($round->side),
        );
    }

    /** @return array{back: string|null, again: string|null} what this person can take back, and do again */
    public static function next(Round $round, User $by): array
    {
        $next = self::own($round, $by)
            ->selectRaw('(array_agg(step ORDER BY id DESC) FILTER (WHERE NOT taken_back))[1] AS back')
            ->selectRaw('(array_agg(step ORDER BY id) FILTER (WHERE taken_back))[1] AS again')
            ->first();

        return ['back' => $next?->back, 'again' => $next?->again];
    }

    private static function own(Round $round, User $by): Builder
    {
        return DB::table('desk_steps')->where('round_id', $round->id)->where('user_id', $by->id);
    }

    /** @param  array<string, array<array-key, array<string, mixed>|null>>  $writes */
    private function write(Round $round, array $writes): void
    {
        // What hangs on others goes first and comes last.
        foreach (['marks' => 'marks', 'signers' => 'signers', 'papers' => 'round_papers'] as $kind => $table) {
            $gone = array_keys($writes[$kind] ?? [], null, true);
            $gone === [] || DB::table($table)->where('round_id', $round->id)->whereIn(self::keyOf($kind), $gone)->delete();
        }
        foreach (['papers' => 'round_papers', 'signers' => 'signers', 'marks' => 'marks'] as $kind => $table) {
            $known = DB::table($table)->where('round_id', $round->id)->pluck(self::keyOf($kind))->flip();
            foreach (array_filter($writes[$kind] ?? []) as $key => $values) {
                if (isset($values['paper'])) {
                    $values['round_paper_id'] = DB::table('round_papers')
                        ->where('round_id', $round->id)
                        ->where('paper_id', $values['paper'])
                        ->value('id');
                    unset($values['paper']);
                }
                $known->has($key)
                    ? DB::table($table)->where('round_id', $round->id)->where(self::keyOf($kind), $key)->update($values)
                    : DB::table($table)->insert($values);
            }
        }
    }

    private static function keyOf(string $kind): string
    {
        return $kind === 'papers' ? 'paper_id' : 'key';
    }

    /** @return array<string, array<array-key, array<string, mixed>>> the rows of a desk as they are stored, without their numbers */
    private static function desk(Round $round): array
    {
        $read = static fn (string $table, string $kind) => DB::table($table)
            ->where('round_id', $round->id)
            ->get()
            ->keyBy(self::keyOf($kind))
            ->map(static fn (object $row) => (array) $row);
        $papers = $read('round_papers', 'papers');
        $paper = $papers->pluck('paper_id', 'id');
        // Which pages were looked at, and what is being read, is no step of anyone's.
        $plain = static fn (array $row) => array_diff_key($row, array_flip(['id', 'round_paper_id', 'seen', 'reading']));

        return [
            'papers' => $papers->map($plain)->all(),
            'signers' => $read('signers', 'signers')->map($plain)->all(),
            'marks' => $read('marks', 'marks')
                ->map(static fn (array $row) => ['paper' => $paper[$row['round_paper_id']], ...$plain($row)])
                ->all(),
        ];
    }

    /**
     * A desk as far as it is arranged.
     *
     * @param array<string, array<array-key, array<string, mixed>>> $desk
     * @return array<string, array<array-key, array<string, mixed>>>
     */
    private static function arranged(array $desk): array
    {
        foreach (self::ARRANGED as $kind => $columns) {
            $desk[$kind] = array_map(static fn (array $row) => array_intersect_key($row, array_flip($columns)), $desk[$kind] ?? []);
        }

        return $desk;
    }

    /**
     * The same, with all of those that came or went.
     *
     * @param array<string, array<array-key, array<string, mixed>>> $before
     * @param array<string, array<array-key, array<string, mixed>>> $after
     */
    private static function whole(DeskChange $change, array $before, array $after): DeskChange
    {
        $rows = $change->rows;
        foreach ($rows as $kind => $pairs) {
            foreach ($pairs as $key => [$was, $is]) {
                $was === null && ($rows[$kind][$key][1] = $after[$kind][$key]);
                $is === null && ($rows[$kind][$key][0] = $before[$kind][$key]);
            }
        }

        return DeskChange::fromArray($rows);
    }

    private static function stored(DeskChange $change): string
    {
        return json_encode($change->rows, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE);
    }

    private static function read(string $stored): DeskChange
    {
        return DeskChange::fromArray(json_decode($stored, true, 512, JSON_THROW_ON_ERROR));
    }
}
