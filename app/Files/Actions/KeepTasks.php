<?php

declare(strict_types=1);

namespace App\Files\Actions;

use App\Files\NewTask;
use App\History\History;
use App\Models\DealFile;
use App\Models\Task;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Unanimus\Dates\DateUnreadable;
use Unanimus\Dates\LocalDate;
use Unanimus\Files\SeenBy;
use Unanimus\Steps\StepRefused;

/** Tasks by hand, and which are done by whom. */
final class KeepTasks
{
    /** @throws StepRefused when the day cannot be read */
    public function add(DealFile $file, NewTask $new, User $by): Task
    {
        $anchor = trim($new->anchor);
        $day = trim($new->day);
        try {
            $due = $anchor !== '' || $day === '' ? null : LocalDate::parse($day, $file->office->today())->iso();
        } catch (DateUnreadable $unreadable) {
            throw StepRefused::unreadable($unreadable, 'The task is not saved yet.');
        }
        $task = $file->tasks()->create([
            'brokerage_id' => $file->brokerage_id,
            'title' => trim($new->title),
            'user_id' => $new->for->id ?? $by->id,
            'created_by' => $by->id,
            'anchor' => $anchor === '' ? null : $anchor,
            'days' => $anchor === '' ? 0 : $new->days,
            'business' => $new->business,
            'due' => $due,
            'side' => $file->represents->isBoth() ? $file->sideOf($by) : null,
        ]);
        History::add($file->brokerage_id, $file->id, 'Task added', ['task' => $task->title], SeenBy::side($task->side));

        return $task;
    }

    /** Says that tasks are done, or open again; a second time changes nothing. */
    public function mark(Task $task, bool $done, User $by): void
    {
        $changed = DB::table('tasks')
            ->where('id', $task->id)
            ->whereNull('done_at', not: ! $done)
            ->update(['done_at' => $done ? now() : null, 'done_by' => $done ? $by->id : null, 'updated_at' => now()]);
        $changed === 0 ||
            History::add(
                $task->brokerage_id,
                $task->deal_file_id,
                $done ? 'Task done' : 'Task open again',
                ['task' => $task->title],
                SeenBy::side($task->side),
            );
    }

    public function assign(Task $task, User $to): void
    {
        if ($task->user_id !== $to->id) {
            $task->update(['user_id' => $to->id]);
            History::add(
                $task->brokerage_id,
                $task->deal_file_id,
                'Task given to',
                ['task' => $task->title, 'to' => $to->name],
                SeenBy::side($task->side),
            );
        }
    }

    public function drop(Task $task): void
    {
        $task->delete();
        History::add($task->brokerage_id, $task->deal_file_id, 'Task taken away', ['task' => $task->title], SeenBy::side($task->side));
    }
}
