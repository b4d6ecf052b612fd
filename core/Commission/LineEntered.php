<?php

declare(strict_types=1);

namespace Unanimus\Commission;

use Unanimus\Money\AmountUnreadable;
use Unanimus\Money\Money;
use Unanimus\Money\Percent;
use Unanimus\Steps\StepRefused;

/** Lines that add up to a side's gross, besides the percentage of the price. */
final class LineEntered
{
    /** Lines that a sheet takes. */
    public const MOST = 8;

    /** What a line may be, and how it is called. "First" and "balance" are of the price. */
    public const KINDS = [
        'first' => 'percent of the first',
        'balance' => 'percent of the balance',
        'flat' => 'flat amount',
        'month' => 'percent of a month’s rent',
        'term' => 'percent of the rent of the whole lease',
        'referralIn' => 'percent of the other firm’s gross',
    ];

    /** What a percentage is taken of where nobody says: nothing. */
    private const NEEDS_BASE = ['first', 'month', 'term', 'referralIn'];

    /**
     * Lines as typed; rows with neither percentage nor amount are left out.
     *
     * @param array<int|string, mixed> $typed rows of kind, percent, of
     * @return list<array<string, string>> as kept
     *
     * @throws AmountUnreadable when an entry is no amount or percentage
     * @throws StepRefused when a line does not say what it is of
     */
    public static function read(array $typed): array
    {
        $lines = [];
        foreach (array_slice(array_values($typed), 0, self::MOST) as $row) {
            $row = (array) $row;
            $kind = (string) ($row['kind'] ?? '');
            [$percent, $of] = [trim((string) ($row['percent'] ?? '')), trim((string) ($row['of'] ?? ''))];
            if (! isset(self::KINDS[$kind]) || ($percent === '' && $of === '')) {
                continue;
            }
            $says = ['kind' => self::KINDS[$kind]];
            $kind === 'flat' || $percent !== '' || throw CommissionRefusal::LineWithoutPercent->because(...$says);
            ! in_array($kind, [...self::NEEDS_BASE, 'flat'], true) || $of !== ''
                || throw CommissionRefusal::LineOfNothing->because(...$says);
            $lines[] = array_filter([
                'kind' => $kind,
                'percent' => $kind === 'flat' ? '' : Percent::of($percent)->decimal(),
                'of' => $kind === 'balance' ? '' : Money::parse($of)->decimal(),
            ], static fn (string $value) => $value !== '');
        }

        return $lines;
    }

    /**
     * A line as the reckoning takes it.
     *
     * @param array<string, string> $kept
     * @return array<string, string>
     */
    public static function given(array $kept): array
    {
        return match ($kept['kind']) {
            'flat' => ['kind' => 'flat', 'label' => 'Flat', 'amount' => $kept['of']],
            'first', 'balance' => ['label' => 'Commission', ...$kept],
            'referralIn' => ['label' => 'Referral in', ...$kept],
            default => ['label' => 'Commission on rent', ...$kept],
        };
    }
}
