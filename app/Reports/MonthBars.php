<?php

declare(strict_types=1);

namespace App\Reports;

use Unanimus\Reports\Tally;

/** Gross commission by month as bars, closed beneath and pending above, in the drawing's own units. */
final readonly class MonthBars
{
    public const WIDTH = 1180;

    public const TALL = 190;

    private const BASE = 160.0;

    private const ROOM = 130.0;

    /**
     * @param list<array{x: float, wide: float, closed: float, pending: float, month: string, sum: string, last: bool}> $bars heights
     */
    private function __construct(public array $bars)
    {
    }

    /** @param  array<string, array{name: string, closed: Tally, pending: Tally}>  $months */
    public static function of(array $months): self
    {
        unset($months['']);
        $sums = array_map(static fn (array $one) => $one['closed']->gross + $one['pending']->gross, array_values($months));
        $most = max([1, ...$sums]);
        $step = (self::WIDTH - 16) / max(1, count($months));
        $bars = [];
        foreach (array_values($months) as $index => $month) {
            $closed = $month['closed']->gross * self::ROOM / $most;
            $pending = $month['pending']->gross * self::ROOM / $most;
            $sum = $month['closed']->gross + $month['pending']->gross;
            $bars[] = [
                'x' => 12 + $index * $step,
                'wide' => max(2.0, min(44.0, $step - 8)),
                'closed' => $closed,
                'pending' => $pending,
                'month' => mb_substr($month['name'], 0, 3),
                'sum' => $sum === 0 ? '' : self::thousands($sum),
                'last' => $index === count($months) - 1,
            ];
        }

        return new self($bars);
    }

    public static function base(): float
    {
        return self::BASE;
    }

    private static function thousands(int $cents): string
    {
        return $cents >= 1_000_000 ? '$'.number_format($cents / 100_000, 0).'k' : '$'.number_format($cents / 100_000, 1).'k';
    }
}
