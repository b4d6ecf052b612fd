<?php

declare(strict_types=1);

namespace Unanimus\Roster;

use Unanimus\Dates\LocalDate;

/** Something a person must hold and renew. */
enum Credential: string
{
    case License = 'license';
    case Insurance = 'insurance';
    case Course = 'course';
    case Dues = 'dues';

    /** Days before it ends on which it is told, each once. */
    public const REMINDED = [60, 30, 7, 0];

    /** As read on the screen. */
    public function label(): string
    {
        return match ($this) {
            self::License => 'License',
            self::Insurance => 'Errors and omissions insurance',
            self::Course => 'Continuing education',
            self::Dues => 'Dues',
        };
    }

    /**
     * Which reminder is due now and was not sent; null: none. Days that passed unnoticed are told with the next one, not after each other.
     *
     * @param list<int> $sent days before the end that were told already
     */
    public static function reminder(LocalDate $expires, LocalDate $today, array $sent): ?int
    {
        $left = $today->daysUntil($expires);
        $due = array_filter(self::REMINDED, static fn (int $days) => $left <= $days);
        $nearest = $due === [] ? null : min($due);

        return $nearest === null || in_array($nearest, $sent, true) ? null : $nearest;
    }
}
