<?php

declare(strict_types=1);

namespace App\Files;

use App\Models\DealFile;
use App\Models\Task;
use Unanimus\Dates\LocalDate;

/** A task with its day as the anchors of its file stand now. */
final readonly class DueTask
{
    /** @param  LocalDate|null  $due  null while its anchor has no day */
    public function __construct(public Task $task, public DealFile $file, public ?LocalDate $due, public bool $late)
    {
    }

    public static function of(Task $task, DealFile $file, Agenda $agenda): self
    {
        $due = $agenda->due($task, $file);

        return new self($task, $file, $due, $task->done_at === null && $due !== null && $due->isBefore($agenda->today));
    }

    /** By day; those without one last. */
    public function order(): string
    {
        return $this->due?->iso() ?? '9999';
    }

    /** Whether it is one of those asked for: late, today, week, undated, or all. */
    public function falls(string $when, LocalDate $today): bool
    {
        return match ($when) {
            'late' => $this->late,
            'today' => $this->due !== null && ! $this->due->isAfter($today),
            'week' => $this->due !== null && ! $this->due->isAfter($today->plusDays(7)),
            'undated' => $this->due === null,
            default => true,
        };
    }
}
