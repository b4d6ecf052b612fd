<?php

declare(strict_types=1);

namespace Unanimus\Signing;

use Unanimus\Dates\LocalDate;

/** When those who have not signed are reminded by themselves: so many days before the last day, in the morning. */
final readonly class ReminderPlan
{
    /** The hour of the day from which a reminder goes out, where the office is. */
    public const MORNING = 8;

    /** The days before the last day that an office chooses from. */
    public const CHOICES = [7, 5, 3, 2, 1, 0];

    /** @param  list<int>  $daysBefore  the last day; 0 is its own morning */
    public function __construct(public array $daysBefore)
    {
    }

    /**
     * Whether a reminder is due now. A round that was sent today is not reminded of today.
     *
     * @param LocalDate $today at the office
     * @param int $hour there, 0 to 23
     */
    public function isDue(LocalDate $today, int $hour, LocalDate $sent, ?LocalDate $lastDay): bool
    {
        return $lastDay !== null &&
            $hour >= self::MORNING &&
            $sent->isBefore($today) &&
            in_array($today->daysUntil($lastDay), $this->daysBefore, true);
    }

    /** As read: "2 days before, the day before and on the last day"; "never" when there are none. */
    public function readable(): string
    {
        $days = $this->daysBefore;
        rsort($days);
        $words = array_map(
            static fn (int $days) => match ($days) {
                0 => 'on the last day',
                1 => 'the day before',
                default => "{$days} days before",
            },
            $days,
        );
        $last = array_pop($words);

        return $last === null ? 'never' : ($words === [] ? $last : implode(', ', $words)." and {$last}");
    }
}
