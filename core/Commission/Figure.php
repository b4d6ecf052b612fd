<?php

declare(strict_types=1);

namespace Unanimus\Commission;

use Unanimus\Money\AmountUnreadable;
use Unanimus\Money\Money;
use Unanimus\Money\Percent;

/** An entry that is either an amount or a percentage, kept as "500.00" or "2.5%". */
final class Figure
{
    /**
     * Where dollars are meant unless a percent sign is typed: "500", "2.5%".
     *
     * @return string as kept; empty: nothing was typed
     *
     * @throws AmountUnreadable when it is neither
     */
    public static function dollars(string $typed): string
    {
        return match (true) {
            trim($typed) === '' => '',
            str_contains($typed, '%') => Percent::of($typed)->decimal().'%',
            default => Money::parse($typed)->decimal(),
        };
    }

    /**
     * Where a percentage is meant unless a dollar sign is typed: "25", "25%", "$500".
     *
     * @return string as kept; empty: nothing was typed
     *
     * @throws AmountUnreadable when it is neither
     */
    public static function percent(string $typed): string
    {
        return match (true) {
            trim($typed) === '' => '',
            str_contains($typed, '$') => Money::parse($typed)->decimal(),
            default => Percent::of($typed)->decimal().'%',
        };
    }

    /** @return array{percent: string}|array{amount: string} as the reckoning takes what is kept */
    public static function given(string $kept): array
    {
        return str_ends_with($kept, '%') ? ['percent' => rtrim($kept, '%')] : ['amount' => $kept];
    }

    /** As read: "25%", "$500". */
    public static function shown(string $kept): string
    {
        return $kept === '' || str_ends_with($kept, '%') ? $kept : (string) Money::of($kept);
    }
}
