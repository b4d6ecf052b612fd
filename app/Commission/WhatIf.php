<?php

declare(strict_types=1);

namespace App\Commission;

use App\Models\DealFile;
use Unanimus\Commission\CommissionSheet;
use Unanimus\Commission\Entered;
use Unanimus\Commission\Figure;
use Unanimus\Commission\Payee;
use Unanimus\Dates\DateUnreadable;
use Unanimus\Dates\LocalDate;
use Unanimus\Money\AmountUnreadable;
use Unanimus\Money\Money;
use Unanimus\Money\Percent;
use Unanimus\Parties\Side;

/** Another price, rate, credit or closing day tried on a sheet; nothing of it is stored. */
final readonly class WhatIf
{
    /** What may be tried, as it is asked for in an address. */
    public const FIELDS = ['if_price', 'if_rate', 'if_credit', 'if_closing'];

    /** @param  list<array{name: string, now: Money, then: Money, more: Money}>  $rows */
    private function __construct(public ?CommissionSheet $sheet, public string $told, public array $rows)
    {
    }

    /**
     * Null: nothing is tried.
     *
     * @param array<string, mixed> $typed by FIELDS
     */
    public static function of(DealFile $file, ?Side $side, ?SheetOf $now, Entered $entered, array $typed): ?self
    {
        $text = static fn (string $name): string => is_string($typed["if_{$name}"] ?? null) ? trim($typed["if_{$name}"]) : '';
        if ($text('price').$text('rate').$text('credit').$text('closing') === '' || $now?->sheet === null) {
            return null;
        }
        try {
            $kept = $entered->kept;
            $text('rate') === '' || ($kept['rate'] = Percent::of($text('rate'))->decimal());
            $text('credit') === '' || ($kept['credit'] = Figure::dollars($text('credit')));
            $price = $text('price') === '' ? null : Money::parse($text('price'));
            $on = $text('closing') === '' ? null : LocalDate::parse($text('closing'), $file->office->today());
        } catch (AmountUnreadable|DateUnreadable $unreadable) {
            return new self(null, $unreadable->getMessage(), []);
        }
        $then = SheetOf::of($file, $side, Entered::fromArray($kept), $price, $on);
        if ($then?->sheet === null) {
            return new self(null, $then->told ?? '', []);
        }
        $byName = static fn (CommissionSheet $sheet): array => array_column(
            array_map(static fn (Payee $payee) => [$payee->name, $payee->amount], $sheet->payees),
            1,
            0,
        );
        [$before, $after] = [$byName($now->sheet), $byName($then->sheet)];
        $rows = [];
        foreach (array_keys($before + $after) as $name) {
            $rows[] = self::row((string) $name, $before[$name] ?? Money::zero(), $after[$name] ?? Money::zero());
        }

        return new self($then->sheet, '', [...$rows, self::row('Comes in', $now->sheet->gross, $then->sheet->gross)]);
    }

    /** @return array{name: string, now: Money, then: Money, more: Money} */
    private static function row(string $name, Money $now, Money $then): array
    {
        return ['name' => $name, 'now' => $now, 'then' => $then, 'more' => $then->minus($now)];
    }
}
