<?php

declare(strict_types=1);

namespace App\Intake\Actions;

use App\Models\Stack;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Unanimus\Intake\IntakeRefusal;
use Unanimus\Intake\SortingTable;
use Unanimus\Intake\TablePage;
use Unanimus\Intake\TablePart;
use Unanimus\Steps\StepRefused;

/** One step of sorting, kept as it is done; undone and done again as often as one likes, also the next day. */
final class SortStack
{
    /**
     * @param int $seen the step whose table the person saw: on another, nothing is done
     * @param array<string, mixed> $step what is done ("do") and with what
     *
     * @throws StepRefused when it was filed or sorted further meanwhile, or names what is not on the table
     */
    public function __invoke(Stack $stack, User $by, int $seen, array $step): void
    {
        DB::table('stacks')->where('id', $stack->id)->lockForUpdate()->value('id');
        $stack->refresh();
        $stack->settled_at === null || throw IntakeRefusal::TableSettled->because();
        $stack->ready_at !== null || throw IntakeRefusal::StillReading->because();
        $stack->step === $seen || throw IntakeRefusal::TableChanged->because();
        match ($step['do']) {
            'undo' => $stack->update(['step' => max(0, $stack->step - 1)]),
            'redo' => $stack->update(['step' => min($stack->last_step, $stack->step + 1)]),
            default => $this->keep($stack, $by, $this->done($stack, $stack->table(), $step)),
        };
    }

    /** @param  array<string, mixed>  $step */
    private function done(Stack $stack, SortingTable $table, array $step): SortingTable
    {
        $pages = array_values(array_map(strval(...), $step['pages'] ?? []));
        $to = (string) ($step['to'] ?? '');

        return match ($step['do']) {
            'cut' => $table->cut($to),
            'join' => $table->join($to),
            'move' => $table->move($pages, $to),
            'turn' => $table->turn($pages, (int) ($step['degrees'] ?? 90)),
            'straighten' => $table->straighten($pages, ! self::allStraight($table, $pages)),
            'aside' => $table->aside($pages),
            'back' => $table->back($pages),
            'name' => $table->say($to, title: mb_strimwidth((string) ($step['value'] ?? ''), 0, 120, '…')),
            'row' => $table->say($to, row: (string) ($step['value'] ?? '')),
            'file' => self::into($table, $to, (string) ($step['value'] ?? '')),
            'take' => $stack->pencil($table)->take($table, $to),
            'leave' => $table->settle([$to]),
            'take-sure' => $stack->pencil($table)->taken($table),
            default => $table,
        };
    }

    private function keep(Stack $stack, User $by, SortingTable $after): void
    {
        if ($after->toArray() === $stack->table()->toArray()) {
            return;
        }
        $number = $stack->step + 1;
        // What was undone and is not wanted again gives way to what is done instead.
        DB::table('stack_layouts')->where('stack_id', $stack->id)->where('number', '>=', $number)->delete();
        DB::table('stack_layouts')->insert([
            'stack_id' => $stack->id,
            'number' => $number,
            'brokerage_id' => $stack->brokerage_id,
            'layout' => json_encode($after->toArray(), JSON_THROW_ON_ERROR),
            'user_id' => $by->id,
            'at' => now(),
        ]);
        $stack->update(['step' => $number, 'last_step' => $number]);
    }

    /** One part into a file; with no part named, all of them. */
    private static function into(SortingTable $table, string $key, string $file): SortingTable
    {
        foreach ($key === '' ? array_map(static fn (TablePart $part) => $part->key, $table->parts) : [$key] as $one) {
            $table = $table->say($one, file: $file);
        }

        return $table;
    }

    /** @param  list<string>  $ids */
    private static function allStraight(SortingTable $table, array $ids): bool
    {
        foreach ($table->parts as $part) {
            foreach ($part->pages as $page) {
                /** @var TablePage $page */
                if (in_array($page->id(), $ids, true) && ! $page->straight) {
                    return false;
                }
            }
        }

        return true;
    }
}
