<?php

declare(strict_types=1);

namespace App\Overview;

use App\Models\Requirement;
use Unanimus\Dates\LocalDate;

/** Until when the lines of a stage are to be met, and how many are late. */
final readonly class StageDue
{
    private function __construct(public string $words, public int $late)
    {
    }

    /**
     * The next day of what is still owed; null where nothing owed has a day.
     *
     * @param list<Requirement|null> $requirements
     */
    public static function of(array $requirements, LocalDate $today): ?self
    {
        $owed = array_filter(
            $requirements,
            static fn (?Requirement $one) => $one?->due_on !== null && ! $one->review_state->isSettled() &&
                ! $one->review_state->isWithReviewer(),
        );
        $days = array_map(static fn (Requirement $one) => $one->due_on?->iso() ?? '', $owed);
        if ($days === []) {
            return null;
        }
        sort($days);
        $late = count(array_filter($days, static fn (string $day) => $day < $today->iso()));
        $next = LocalDate::of($days[min($late, count($days) - 1)]);
        $words = array_filter([
            $late === 0 ? '' : "{$late} late",
            $late === count($days) ? '' : 'next due '.$next->short($today->year()),
        ]);

        return new self(implode(', ', $words), $late);
    }
}
