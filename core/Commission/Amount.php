<?php

declare(strict_types=1);

namespace Unanimus\Commission;

use Brick\Math\BigDecimal;
use Brick\Math\Exception\MathException;
use Brick\Math\RoundingMode;

/**
 * Whole cents and exact percentages. Each product is rounded once, half away from zero, when it becomes an amount.
 *
 * @internal to its area
 */
final class Amount
{
    /**
     * Cents of what is written: "1,250.50", 1250.5.
     *
     * @throws ReckoningRefused when it is no amount, or finer than a cent
     */
    public static function cents(mixed $written, string $what): int
    {
        try {
            return BigDecimal::of(str_replace([',', '$', ' '], '', self::text($written, $what)))
                ->multipliedBy(100)
                ->toScale(0, RoundingMode::UNNECESSARY)
                ->toInt();
        } catch (MathException) {
            throw new ReckoningRefused("{$what} is no amount in dollars and cents.");
        }
    }

    /**
     * A percentage of up to six decimal places, from 0 to 100.
     *
     * @throws ReckoningRefused when it is none
     */
    public static function percent(mixed $written, string $what): BigDecimal
    {
        try {
            $percent = BigDecimal::of(rtrim(self::text($written, $what), '% '))->toScale(6, RoundingMode::UNNECESSARY);
        } catch (MathException) {
            throw new ReckoningRefused("{$what} is no percentage of up to six decimal places.");
        }
        if ($percent->isNegative() || $percent->isGreaterThan(100)) {
            throw new ReckoningRefused("{$what} is not between 0 and 100 percent.");
        }

        return $percent->stripTrailingZeros();
    }

    /** That percentage of an amount, in cents. */
    public static function of(int $cents, BigDecimal $percent): int
    {
        return BigDecimal::of($cents)->multipliedBy($percent)->dividedBy(100, 0, RoundingMode::HALF_UP)->toInt();
    }

    /** The amount of which that percentage is so many cents. */
    public static function whole(int $cents, BigDecimal $percent): int
    {
        return BigDecimal::of($cents)->multipliedBy(100)->dividedBy($percent, 0, RoundingMode::HALF_UP)->toInt();
    }

    /** As printed: "-1234.50". */
    public static function shown(int $cents): string
    {
        return (string) BigDecimal::ofUnscaledValue($cents, 2);
    }

    /**
     * A name or word as it is given, a number as well.
     *
     * @throws ReckoningRefused when it is a list
     */
    public static function words(mixed $written): string
    {
        return is_scalar($written) ? (string) $written : throw new ReckoningRefused('A list stands where a name or a word is meant.');
    }

    private static function text(mixed $written, string $what): string
    {
        return is_string($written) || is_int($written) || is_float($written)
            ? trim((string) $written)
            : throw new ReckoningRefused("{$what} is missing.");
    }

    /**
     * What is given as a percentage of a base or as an amount, in cents.
     *
     * @param array<string, mixed> $given
     *
     * @throws ReckoningRefused when it is neither
     */
    public static function given(array $given, int $base, string $what): int
    {
        return isset($given['percent'])
            ? self::of($base, self::percent($given['percent'], "The percentage of {$what}"))
            : self::cents($given['amount'] ?? null, $what);
    }

    /**
     * How that comes about, as a step says it.
     *
     * @param array<string, mixed> $given
     */
    public static function told(array $given, int $base): string
    {
        return isset($given['percent']) ? self::shown($base)." × {$given['percent']} %" : 'flat';
    }

    /**
     * The same within the minimum and maximum that are given with it, and how it comes about.
     *
     * @param array<string, mixed> $given
     * @return array{int, string} cents, and a step's formula
     *
     * @throws ReckoningRefused when one of them cannot be read
     */
    public static function within(array $given, int $base, string $what): array
    {
        $amount = self::given($given, $base, $what);
        $told = self::told($given, $base);
        $least = isset($given['minimum']) ? self::cents($given['minimum'], "The minimum of {$what}") : null;
        if ($least !== null && $amount < $least) {
            [$amount, $told] = [$least, "{$told}, no less than the minimum"];
        }
        $most = isset($given['maximum']) ? self::cents($given['maximum'], "The maximum of {$what}") : null;

        return $most !== null && $amount > $most ? [$most, "{$told}, no more than the maximum"] : [$amount, $told];
    }
}
