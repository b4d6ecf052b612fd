<?php

declare(strict_types=1);

namespace App\Files;

use App\Models\DealFile;
use App\Models\Task;
use App\Models\User;
use Illuminate\Support\Collection;
use Unanimus\Files\DealStatus;

/** Tasks over all files a person sees, late ones first, with their days as the anchors stand now. */
final readonly class TaskList
{
    /** @param  list<DueTask>  $rows */
    private function __construct(public array $rows, public int $late)
    {
    }

    public static function of(User $user, TaskFilter $filter): self
    {
        $tasks = Task::query()
            ->with(['assignee', 'doer'])
            ->whereNull('done_at', not: $filter->done)
            ->when($filter->who === 'me', static fn ($query) => $query->where('user_id', $user->id))
            ->when(ctype_digit($filter->who), static fn ($query) => $query->where('user_id', (int) $filter->who))
            ->when($filter->who === 'none', static fn ($query) => $query->whereNull('user_id'))
            ->whereHas(
                'file',
                static fn ($file) => $file
                    ->whereIn('status', DealStatus::open())
                    ->when($filter->office !== null, static fn ($query) => $query->where('office_id', $filter->office))
                    ->when($filter->kind !== '', static fn ($query) => $query->where('kind', $filter->kind)),
            )
            ->when($filter->done, static fn ($query) => $query->orderByDesc('done_at'))
            ->orderBy('id')
            ->limit($filter->done ? 200 : 2000)
            ->get();
        $files = DealFile::query()
            ->with(['office', 'kits'])
            ->whereIn('id', $tasks->pluck('deal_file_id')->unique())
            ->get()
            ->keyBy('id');
        $agendas = Agenda::ofAll($files);
        $rows = [];
        foreach ($tasks as $task) {
            $file = $files[$task->deal_file_id];
            $agenda = $agendas[$file->key];
            $row = DueTask::of($task, $file, $agenda);
            $row->falls($filter->when, $agenda->today) && ($rows[] = $row);
        }
        $filter->done ||
            usort($rows, static fn (DueTask $a, DueTask $b) => [$a->order(), $a->task->id] <=> [$b->order(), $b->task->id]);

        return new self($rows, count(array_filter($rows, static fn (DueTask $row) => $row->late)));
    }

    /** @return Collection<int, DueTask> one file's, open ones first by day */
    public static function inFile(DealFile $file, Agenda $agenda): Collection
    {
        return $file->tasks
            ->map(static fn (Task $task) => DueTask::of($task, $file, $agenda))
            ->sortBy(static fn (DueTask $row) => ($row->task->done_at === null ? '0' : '1').$row->order())
            ->values();
    }
}
