<?php

declare(strict_types=1);

namespace App\Files;

use App\Files\Models\DealFile;
use Unanimus\Dates\Deadline;
use Unanimus\Dates\DealLine;
use Unanimus\Dates\LocalDate;
use Unanimus\Dates\Schedule;
use Unanimus\Terms\Facts;
use Unanimus\Terms\Term;

/** A file's days: its anchors, the deadlines that follow, and which of them are done. */
final readonly class Agenda
{
    /**
     * @param array<string, array{label: string, day: LocalDate}> $anchors
     * @param list<Deadline> $deadlines
     * @param list<string> $done
     */
    private function __construct(public array $anchors, public array $deadlines, public array $done, public LocalDate $today)
    {
    }

    public static function of(DealFile $file): self
    {
        $values = $file->knownFacts->pluck('value', 'name')->all();
        $anchors = [];
        foreach (Term::anchors() as $term) {
            $skip = $term === Term::OfferDate || ($term === Term::OfferExpiry && isset($values['acceptance']));
            if (isset($values[$term->value]) && ! $skip) {
                $anchors[$term->value] = ['label' => $term->label(), 'day' => LocalDate::of($values[$term->value])];
            }
        }
        $kit = $file->kitDefinition();
        $facts = Facts::from($values);
        $deadlines = $kit === null ? [] : Schedule::compute(
            array_map(static fn (array $anchor) => $anchor['day'], $anchors),
            array_map(static fn (array $anchor) => ['Accepted' => 'acceptance'][$anchor['label']] ?? $anchor['label'], $anchors),
            $kit->deadlinesFor($facts), $file->office->calendar(),
        );
        $done = [];
        foreach ($values as $name => $value) {
            str_starts_with($name, 'done.') && $done[] = substr($name, 5);
        }

        return new self($anchors, $deadlines, $done, $file->office->today());
    }

    public function line(): ?DealLine
    {
        return DealLine::lay($this->anchors, $this->deadlines, $this->done, $this->today);
    }

    /** Days to closing; negative when it has passed. */
    public function daysToClosing(): ?int
    {
        return isset($this->anchors['closing']) ? $this->today->daysUntil($this->anchors['closing']['day']) : null;
    }

    /** @return list<Deadline> not done, due within so many days or late */
    public function open(int $within): array
    {
        return array_values(array_filter($this->deadlines, fn (Deadline $deadline) => ! in_array($deadline->name, $this->done, true) && $this->today->daysUntil($deadline->due) <= $within));
    }
}
