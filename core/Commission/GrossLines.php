<?php

declare(strict_types=1);

namespace Unanimus\Commission;

/**
 * The lines of a side that add up to its gross: percentages of the price, of a first part, of the balance, of rent, flat.
 *
 * @internal to its area
 */
final class GrossLines
{
    /**
     * What the lines of a side add up to, within its minimum and maximum; and how.
     *
     * @param array<string, mixed> $given of the side
     * @return array{int, list<array{string, string, int}>} cents, and steps: label, formula, cents
     *
     * @throws ReckoningRefused when a line cannot be read
     */
    public static function of(array $given): array
    {
        $steps = [];
        $price = Amount::cents($given['price'] ?? 0, 'The price');
        $concessions = Amount::cents($given['concessions'] ?? 0, 'The concessions');
        $base = ($given['base'] ?? 'price') === 'price_less_concessions' ? $price - $concessions : $price;
        $first = $sum = 0;
        foreach ((array) ($given['lines'] ?? []) as $line) {
            $kind = Amount::words($line['kind'] ?? '');
            if ($kind === 'first') {
                $first += Amount::cents($line['of'] ?? null, 'The amount of a “first” line');
            }
        }
        foreach ((array) ($given['lines'] ?? []) as $line) {
            [$amount, $formula] = self::line($given, (array) $line, $base, max(0, $base - $first));
            $sum += $amount;
            $steps[] = [Amount::words($line['label'] ?? 'Commission'), $formula, $amount];
        }
        foreach (['minimum' => 'max', 'maximum' => 'min'] as $limit => $pick) {
            if (isset($given[$limit])) {
                $at = Amount::cents($given[$limit], "The side's {$limit}");
                $limited = $pick === 'max' ? max($sum, $at) : min($sum, $at);
                $limited === $sum || ($steps[] = ["The side's {$limit}", 'instead of '.Amount::shown($sum), $limited]);
                $sum = $limited;
            }
        }

        return [$sum, $steps];
    }

    /**
     * @param array<string, mixed> $given
     * @param array<string, mixed> $line
     * @return array{int, string}
     */
    private static function line(array $given, array $line, int $base, int $balance): array
    {
        $kind = Amount::words($line['kind'] ?? '');
        if ($kind === 'flat') {
            return [Amount::cents($line['amount'] ?? null, 'A flat line'), 'flat'];
        }
        $percent = Amount::percent($line['percent'] ?? null, 'The rate of a line');
        $told = '';
        if ($kind === 'percent' && isset($given['reducedRate'])) {
            $told = " (reduced from {$percent} %)";
            $percent = Amount::percent($given['reducedRate'], 'The reduced rate');
        }
        $of = match ($kind) {
            'percent' => $base,
            'first' => min($base, Amount::cents($line['of'] ?? null, 'The amount of a “first” line')),
            'balance' => $balance,
            'month', 'term', 'referralIn' => Amount::cents($line['of'] ?? null, 'What a line is a percentage of'),
            default => throw new ReckoningRefused("“{$kind}” is no kind of line."),
        };

        return [Amount::of($of, $percent), Amount::shown($of)." × {$percent} %{$told}"];
    }
}
