<?php

declare(strict_types=1);

namespace App\Overview;

use App\Models\Requirement;
use Unanimus\Dates\LocalDate;

/** How complete a stage is, until when its lines are to be met, and how many are late. */
final readonly class StageDue
{
    private function __construct(public string $words, public int $late)
    {
    }

    /**
     * What is read at the head of a stage.
     *
     * @param list<Requirement|null> $requirements
     */
    public static function of(array $requirements, LocalDate $today): self
    {
        $asked = array_filter($requirements);
        $settled = count(array_filter($asked, static fn (Requirement $one) => $one->review_state->isSettled()));
        $owed = array_filter(
            $requirements,
            static fn (?Requirement $one) => $one?->due_on !== null && ! $one->review_state->isSettled() &&
                ! $one->review_state->isWithReviewer(),
        );
        $days = array_map(static fn (Requirement $one) => $one->due_on?->iso() ?? '', $owed);
        sort($days);
        $late = count(array_filter($days, static fn (string $day) => $day < $today->iso()));
        $next = $days[$late] ?? null;
        $words = array_filter([
            $asked === [] ? '' : "{$settled} of ".count($asked).' complete',
            $late === 0 ? '' : "{$late} late",
            $next === null ? '' : 'next due '.LocalDate::of($next)->short($today->year()),
        ]);

        return new self(implode(', ', $words), $late);
    }
}
