<?php

declare(strict_types=1);

namespace Unanimus\Messages;

use Unanimus\Dates\LocalDate;
use Unanimus\Files\DealStatus;
use Unanimus\Parties\DealKind;
use Unanimus\Parties\PartyRole;
use Unanimus\Parties\Representation;
use Unanimus\Parties\Side;

/** What a client's own page shows, and to whom there is one. */
final class ClientView
{
    /** Whether someone of that role is a client of ours in such a file. */
    public static function isFor(PartyRole $role, Representation $represents, DealKind $kind): bool
    {
        $side = Side::tryFrom($role->value);
        $own = $represents->side();

        return $side !== null && ($own === null ? $represents->isBoth() : $kind->side($own) === $kind->side($side));
    }

    /** Where the deal stands, as a name of words for clients: "looking", "waiting", "contract", "closed", "ended". */
    public static function stands(DealStatus $status): string
    {
        return match ($status) {
            DealStatus::Preparing => 'preparing',
            DealStatus::Active => 'active',
            DealStatus::UnderContract => 'contract',
            DealStatus::Closed => 'closed',
            default => 'ended',
        };
    }

    /** How much room is left between two days of the line, in steps of 0 to 3: what is far apart looks far apart. */
    public static function room(LocalDate $from, LocalDate $to): int
    {
        return match (true) {
            $from->daysUntil($to) <= 3 => 0,
            $from->daysUntil($to) <= 10 => 1,
            $from->daysUntil($to) <= 21 => 2,
            default => 3,
        };
    }

    /**
     * Days in order, each done, today, next or to come; what a day the brokerage keeps to itself is left out by whoever asks.
     *
     * @param list<array{name: string, label: string, day: LocalDate, done: bool}> $days
     * @return list<array{name: string, label: string, day: LocalDate, stands: 'done'|'next'|'later'}>
     */
    public static function line(array $days, LocalDate $today): array
    {
        usort($days, static fn (array $a, array $b) => [$a['day']->iso(), $a['name']] <=> [$b['day']->iso(), $b['name']]);
        $isNextFound = false;
        $line = [];
        foreach ($days as $day) {
            $isOver = $day['done'] || $day['day']->isBefore($today);
            $stands = match (true) {
                $isOver => 'done',
                ! $isNextFound => 'next',
                default => 'later',
            };
            $isNextFound = $isNextFound || ! $isOver;
            $line[] = ['name' => $day['name'], 'label' => $day['label'], 'day' => $day['day'], 'stands' => $stands];
        }

        return $line;
    }
}
