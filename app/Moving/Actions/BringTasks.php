<?php

declare(strict_types=1);

namespace App\Moving\Actions;

use App\Files\Actions\KeepTasks;
use App\Files\Actions\MarkDeadline;
use App\Files\Agenda;
use App\Files\NewTask;
use App\History\History;
use App\Models\DealFile;
use App\Models\MovedLine;
use App\Models\Role;
use App\Models\Task;
use App\Models\User;
use Illuminate\Support\Carbon;
use Unanimus\Files\SeenBy;
use Unanimus\Finding\Query;
use Unanimus\Moving\EarlierReview;
use Unanimus\Steps\StepRefused;

/** Puts a task that came along into its file: what the file has already by that name is marked, anything else is added. */
final class BringTasks
{
    public function __construct(private readonly KeepTasks $tasks, private readonly MarkDeadline $deadlines)
    {
    }

    public function __invoke(MovedLine $line, DealFile $file, User $by): void
    {
        $review = EarlierReview::read($line->cells['done'], $file->office->today());
        $name = Query::plain($line->cells['task']);
        try {
            $told = $this->deadline($file, $name, $review) ?? $this->task($file, $line, $name, $review, $by);
        } catch (StepRefused $refused) {
            $line->update(['outcome' => 'refused', 'told' => $refused->getMessage(), 'deal_file_id' => $file->id]);

            return;
        }
        $line->update(['outcome' => 'done', 'told' => $told, 'deal_file_id' => $file->id]);
    }

    private function deadline(DealFile $file, string $name, EarlierReview $review): ?string
    {
        foreach (Agenda::of($file)->deadlines as $deadline) {
            if (Query::plain($deadline->label) !== $name) {
                continue;
            }
            if (! $review->was) {
                return 'The file counts this deadline itself. It is left as it is.';
            }
            ($this->deadlines)($file, $deadline->name, true);
            $review->on === null || $file->knownFacts()->where('name', "done.{$deadline->name}")->update(['value' => $review->on->iso()]);

            return 'Marked as met.';
        }

        return null;
    }

    private function task(DealFile $file, MovedLine $line, string $name, EarlierReview $review, User $by): string
    {
        $known = $file->tasks()->whereNull('done_at')->get()->first(static fn (Task $task) => Query::plain($task->title) === $name);
        $task = $known ?? $this->tasks->add($file, new NewTask(
            mb_substr($line->cells['task'], 0, 200),
            $line->cells['due'],
            for: $this->person($line->cells['for'], $file),
        ), $by);
        if (! $review->was) {
            return $known === null ? '' : 'The file had this task already.';
        }
        $words = EarlierReview::words('', $review->on);
        $task->update([
            'done_at' => $review->on === null ? now() : Carbon::parse("{$review->on->iso()} 12:00", $file->office->zone),
            'done_by' => null,
            'moved_in' => $words,
        ]);
        History::add(
            $file->brokerage_id,
            $file->id,
            'Task done earlier',
            ['task' => $task->title, 'words' => $words],
            SeenBy::side($task->side),
        );

        return '';
    }

    /** Whoever is named, else the file's agent. */
    private function person(string $named, DealFile $file): ?User
    {
        $named = Query::plain($named);
        $person = $named === '' ? null : User::query()->where('active', true)->get()->first(
            static fn (User $user) => Query::plain($user->name) === $named || Query::plain($user->email) === $named,
        );

        return $person ?? User::query()
            ->whereIn('id', $file->members()->where('role', Role::Agent)->select('user_id'))
            ->orderBy('id')
            ->first();
    }
}
