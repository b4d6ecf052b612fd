<?php

declare(strict_types=1);

namespace Unanimus\Terms;

use Unanimus\Dates\LocalDate;
use Unanimus\Money\Money;
use Unanimus\Money\Percent;

/**
 * What a sale leaves the sellers: the price, and line by line what comes off it, each with its formula.
 */
final readonly class NetSheet
{
    /** The terms it is computed from, in the order they are asked. */
    public const TERMS = [
        Term::Price,
        Term::Concessions,
        Term::Repairs,
        Term::ListingCommission,
        Term::BuyerCommission,
        Term::TransferTax,
        Term::TitleCosts,
        Term::AnnualTax,
        Term::TaxPaidThrough,
        Term::ClosingDay,
        Term::Warranty,
        Term::OtherCosts,
        Term::Payoff,
        Term::SecondPayoff,
    ];

    /**
     * @param list<array{label: string, amount: Money, formula: string}> $lines what comes off, as positive amounts
     * @param list<string> $open labels of what is not known yet and counts as nothing
     * @param bool $asListed whether it is worked out from the list price, there being no contract price yet
     */
    private function __construct(public Money $price, public array $lines, public Money $net, public array $open, public bool $asListed)
    {
    }

    /** The sheet, from the list price while there is no other; null while there is neither. */
    public static function of(Facts $facts): ?self
    {
        $listed = $facts->get(PropertyFact::ListPrice->value);
        $asListed = $facts->get(Term::Price->value) === null && $listed !== null;
        $facts = $asListed ? $facts->with([Term::Price->value => $listed]) : $facts;
        $price = self::money($facts, Term::Price);
        if ($price === null) {
            return null;
        }
        $lines = [];
        foreach ([Term::Concessions, Term::Repairs] as $term) {
            $lines[] = self::plain($facts, $term, 'as agreed');
        }
        foreach ([Term::ListingCommission, Term::BuyerCommission, Term::TransferTax] as $term) {
            $rate = $facts->value($term->value);
            $lines[] =
                $rate === null
                    ? null
                    : [
                        'label' => $term->label(),
                        'amount' => $price->share($share = Percent::of($rate)),
                        'formula' => "{$price} × {$share}",
                    ];
        }
        $lines[] = self::plain($facts, Term::TitleCosts, 'as quoted');
        $lines[] = self::tax($facts);
        foreach ([Term::Warranty, Term::OtherCosts] as $term) {
            $lines[] = self::plain($facts, $term, 'as agreed');
        }
        foreach ([Term::Payoff, Term::SecondPayoff] as $term) {
            $lines[] = self::plain($facts, $term, 'by the lender’s letter');
        }
        $lines = array_values(array_filter($lines));
        $net = array_reduce($lines, static fn (Money $left, array $line) => $left->minus($line['amount']), $price);
        $open = array_values(
            array_map(
                static fn (Term $term) => $term->label(),
                array_filter(
                    [Term::ListingCommission, Term::BuyerCommission, Term::TransferTax, Term::TitleCosts, Term::AnnualTax, Term::Payoff],
                    static fn (Term $term) => $facts->value($term->value) === null,
                ),
            ),
        );
        foreach ($facts->value(Term::AnnualTax->value) === null ? [] : [Term::Closing, Term::TaxPaidThrough, Term::ClosingDay] as $term) {
            $facts->value($term->value) === null && ($open[] = "{$term->label()}, for the tax");
        }

        return new self($price, $lines, $net, $open, $asListed);
    }

    /**
     * The sellers' property tax: for the days from the one after it is paid through up to closing, year by year, each day at its
     * year's rate. Paid beyond closing, it comes back to them.
     *
     * @return array{label: string, amount: Money, formula: string}|null null while it is not known through when it is paid
     */
    private static function tax(Facts $facts): ?array
    {
        $year = self::money($facts, Term::AnnualTax);
        $closing = $facts->value(Term::Closing->value);
        $paid = $facts->value(Term::TaxPaidThrough->value);
        $owner = $facts->value(Term::ClosingDay->value);
        if ($year === null || $closing === null || $paid === null || $owner === null) {
            return null;
        }
        $last = $owner === 'sellers' ? LocalDate::of($closing) : LocalDate::of($closing)->plusDays(-1);
        $through = LocalDate::of($paid);
        $owes = $through->isBefore($last);
        $parts = self::years($owes ? $through->plusDays(1) : $last->plusDays(1), $owes ? $last : $through);
        $amount = array_reduce($parts, static fn (Money $sum, array $part) => $sum->plus($year->parts($part[0], $part[1])), Money::zero());
        $formula = implode(' + ', array_map(static fn (array $part) => "{$year} × {$part[0]} of {$part[1]} days", $parts));
        $days = array_sum(array_column($parts, 0));
        $who = $owner === 'sellers' ? 'the closing day is the sellers’' : 'the closing day is the buyers’';

        return $owes
            ? [
                'label' => 'Property tax to closing',
                'amount' => $amount,
                'formula' => "{$formula}; paid through {$through->long()}, {$who}",
            ]
            : [
                'label' => 'Property tax paid ahead, comes back',
                'amount' => Money::zero()->minus($amount),
                'formula' => $days === 0 ? "paid through {$through->long()}, {$who}" : "{$formula}; paid through {$through->long()}, ".
                    "{$who}",
            ];
    }

    /** @return list<array{int, int}> the days from one to the other, both counted, in each calendar year, and how many that year has */
    private static function years(LocalDate $from, LocalDate $to): array
    {
        $parts = [];
        for ($year = $from->year(); $year <= $to->year() && ! $to->isBefore($from); $year++) {
            $first = LocalDate::ymd($year, 1, 1);
            $next = LocalDate::ymd($year + 1, 1, 1);
            $begin = $from->isBefore($first) ? $first : $from;
            $end = $to->isBefore($next) ? $to->plusDays(1) : $next;
            $parts[] = [$begin->daysUntil($end), $first->daysUntil($next)];
        }

        return $parts;
    }

    /** @return array{label: string, amount: Money, formula: string}|null */
    private static function plain(Facts $facts, Term $term, string $formula): ?array
    {
        $amount = self::money($facts, $term);

        return $amount === null || $amount->isZero() ? null : ['label' => $term->label(), 'amount' => $amount, 'formula' => $formula];
    }

    private static function money(Facts $facts, Term $term): ?Money
    {
        $value = $facts->value($term->value);

        return $value === null ? null : Money::of($value);
    }
}
