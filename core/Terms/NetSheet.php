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
        Term::Price, Term::Concessions, Term::Repairs, Term::ListingCommission, Term::BuyerCommission, Term::TransferTax, Term::TitleCosts,
        Term::AnnualTax, Term::Warranty, Term::OtherCosts, Term::Payoff, Term::SecondPayoff,
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
            $lines[] = $rate === null ? null : ['label' => $term->label(), 'amount' => $price->share($share = Percent::of($rate)), 'formula' => "{$price} × {$share}"];
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
        $open = array_values(array_map(static fn (Term $term) => $term->label(), array_filter([Term::ListingCommission, Term::BuyerCommission, Term::TransferTax, Term::TitleCosts, Term::AnnualTax, Term::Payoff], static fn (Term $term) => $facts->value($term->value) === null)));
        $facts->value(Term::AnnualTax->value) !== null && $facts->value(Term::Closing->value) === null && $open[] = 'The day of closing, for the tax';

        return new self($price, $lines, $net, $open, $asListed);
    }

    /** @return array{label: string, amount: Money, formula: string}|null the sellers' part of the year's tax: the days up to the one before closing */
    private static function tax(Facts $facts): ?array
    {
        $year = self::money($facts, Term::AnnualTax);
        $closing = $facts->value(Term::Closing->value);
        if ($year === null || $closing === null) {
            return null;
        }
        $day = LocalDate::of($closing);
        $first = LocalDate::ymd($day->year(), 1, 1);
        $whole = $first->daysUntil(LocalDate::ymd($day->year() + 1, 1, 1));
        $own = $first->daysUntil($day);

        return ['label' => 'Property tax to closing', 'amount' => $year->parts($own, $whole), 'formula' => "{$year} × {$own} of {$whole} days, 1 January to the day before closing"];
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
