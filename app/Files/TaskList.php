<?php

declare(strict_types=1);

namespace App\Files;

use App\Models\DealFile;
use App\Models\Task;
use App\Models\User;
use Illuminate\Support\Collection;
use Unanimus\Dates\LocalDate;
use Unanimus\Files\DealStatus;

/** Tasks over all files a person sees, late ones first, with their days as the anchors stand now. */
final readonly class TaskList
{
    /** @param  list<array{task: Task, file: DealFile, due: LocalDate|null, late: bool}>  $rows */
    private function __construct(public array $rows, public int $late)
    {
    }

    /** @param  array{who: string, when: string, done: bool, office: int|null, kind: string}  $filter */
    public static function of(User $user, array $filter): self
    {
        $tasks = Task::query()
            ->with(['assignee', 'doer'])
            ->whereNull('done_at', not: $filter['done'])
            ->when($filter['who'] === 'me', static fn ($query) => $query->where('user_id', $user->id))
            ->when(ctype_digit($filter['who']), static fn ($query) => $query->where('user_id', (int) $filter['who']))
            ->when($filter['who'] === 'none', static fn ($query) => $query->whereNull('user_id'))
            ->whereHas(
                'file',
                static fn ($file) => $file
                    ->whereIn('status', DealStatus::open())
                    ->when($filter['office'] !== null, static fn ($query) => $query->where('office_id', $filter['office']))
                    ->when($filter['kind'] !== '', static fn ($query) => $query->where('kind', $filter['kind'])),
            )
            ->when($filter['done'], static fn ($query) => $query->orderByDesc('done_at'))
            ->orderBy('id')
            ->limit($filter['done'] ? 200 : 2000)
            ->get();
        $files = DealFile::query()
            ->with(['office', 'knownFacts', 'kits'])
            ->whereIn('id', $tasks->pluck('deal_file_id')->unique())
            ->get()
            ->keyBy('id');
        $agendas = $files->map(static fn (DealFile $file) => Agenda::of($file));
        $rows = [];
        foreach ($tasks as $task) {
            $file = $files[$task->deal_file_id];
            $due = $agendas[$file->id]->due($task, $file);
            $rows[] = [
                'task' => $task,
                'file' => $file,
                'due' => $due,
                'late' => $due !== null && ! $filter['done'] && $due->isBefore($agendas[$file->id]->today),
            ];
        }
        $rows = array_values(
            array_filter($rows, static fn (array $row) => self::falls($row, $filter['when'], $agendas[$row['file']->id]->today)),
        );
        $filter['done'] ||
            usort(
                $rows,
                static fn (array $a, array $b) => ($a['due']?->iso() ?? '9999') <=> ($b['due']?->iso() ?? '9999') ?:
                $a['task']->id <=> $b['task']->id,
            );

        return new self($rows, count(array_filter($rows, static fn (array $row) => $row['late'])));
    }

    /**
     * @return Collection<int, array{task: Task, due: LocalDate|null, late: bool}> one file's, open ones first by day
     */
    public static function inFile(DealFile $file, Agenda $agenda): Collection
    {
        return $file->tasks
            ->map(static function (Task $task) use ($file, $agenda): array {
                $due = $agenda->due($task, $file);

                return [
                    'task' => $task,
                    'due' => $due,
                    'late' => $task->done_at === null && $due !== null && $due->isBefore($agenda->today),
                ];
            })
            ->sortBy(static fn (array $row) => ($row['task']->done_at === null ? '0' : '1').($row['due']?->iso() ?? '9999'))
            ->values();
    }

    /** @param  array{due: LocalDate|null, late: bool}  $row */
    private static function falls(array $row, string $when, LocalDate $today): bool
    {
        return match ($when) {
            'late' => $row['late'],
            'today' => $row['due'] !== null && ! $row['due']->isAfter($today),
            'week' => $row['due'] !== null && ! $row['due']->isAfter($today->plusDays(7)),
            'undated' => $row['due'] === null,
            default => true,
        };
    }
}
