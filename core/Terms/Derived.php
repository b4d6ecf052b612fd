<?php

declare(strict_types=1);

namespace Unanimus\Terms;

use Unanimus\Dates\LocalDate;
use Unanimus\Money\Money;
use Unanimus\Money\Percent;

/**
 * What follows from the terms: amounts that nobody types, each with its formula.
 */
final class Derived
{
    /** The facts with everything added that follows from them. */
    public static function from(Facts $facts): Facts
    {
        $facts = self::sameDay($facts);
        $facts = $facts->with(Agency::facts($facts));
        $price = self::money($facts, 'price');
        if ($price === null) {
            return $facts;
        }
        $more = self::loan($facts, $price);
        $loan = isset($more['loan_amount']) ? Money::of($more['loan_amount']->value) : Money::zero();
        $known = $more !== [] || $facts->value('financing') === 'cash';
        $earnest = self::money($facts, 'earnest_money');
        if ($earnest !== null && $known) {
            $more['balance'] = new Fact(
                $price->minus($loan)->minus($earnest)->decimal(),
                "price {$price} − loan {$loan} − earnest money {$earnest}",
            );
        }
        $costs = self::money($facts, 'buyer_costs');
        if ($costs !== null && $known) {
            $paid = $earnest ?? Money::zero();
            $credit = self::money($facts, 'concessions') ?? Money::zero();
            $more['cash_at_closing'] = new Fact(
                $price->minus($loan)->plus($costs)->minus($credit)->minus($paid)->decimal(),
                "price {$price} − loan {$loan} + closing costs {$costs} − concessions {$credit} − earnest money {$paid}",
            );
        }
        $area = $facts->value('property.area');
        if ($area !== null && ctype_digit($area) && (int) $area > 0) {
            $more['price_per_area'] = new Fact($price->parts(1, (int) $area)->decimal(), "price {$price} ÷ {$area} sq ft");
        }

        return $facts->with($more);
    }

    private static function sameDay(Facts $facts): Facts
    {
        if ($facts->value(Term::Possession->value) !== SameAs::CLOSING) {
            return $facts;
        }
        $closing = $facts->value(Term::Closing->value);

        return $closing === null
            ? $facts->without(Term::Possession->value)
            : $facts->with([Term::Possession->value => new Fact($closing, 'the day of closing')]);
    }

    /**
     * What in the terms contradicts itself, in words; told, never blocked.
     *
     * @param LocalDate|null $today to tell what lies in the past; null: not asked
     * @return list<string>
     */
    public static function contradictions(Facts $facts, ?LocalDate $today = null): array
    {
        return [...self::days($facts, $today), ...self::amounts($facts)];
    }

    /** @return list<string> */
    private static function days(Facts $facts, ?LocalDate $today): array
    {
        $told = [];
        $day = $facts->value(...);
        $order = [
            ['acceptance', 'closing', 'Closing is before acceptance.'],
            ['offer_date', 'acceptance', 'Acceptance is before the offer was dated.'],
            ['offer_date', 'offer_expiry', 'The offer expires before it is dated.'],
            ['acceptance', 'possession', 'Possession is before acceptance.'],
            ['closing', 'possession', 'Possession is before closing. The buyers need an agreement to move in early.'],
            ['listed_on', 'listing_expires', 'The listing expires before it begins.'],
            ['lease_start', 'lease_end', 'The lease ends before it starts.'],
        ];
        foreach ($order as [$first, $then, $words]) {
            if ($day($first) !== null && $day($then) !== null && $day($then) < $day($first)) {
                $told[] = $words;
            }
        }
        if ($today !== null && $day('acceptance') === null && $day('offer_expiry') !== null && $day('offer_expiry') < $today->iso()) {
            $told[] = 'The offer has expired: '.LocalDate::of($day('offer_expiry'))->short($today->year()).' is past.';
        }
        if ($day('acceptance') !== null && $day('offer_expiry') !== null && $day('offer_expiry') < $day('acceptance')) {
            $told[] = 'It was accepted after the offer had expired.';
        }

        return $told;
    }

    /** @return list<string> */
    private static function amounts(Facts $facts): array
    {
        $told = [];
        $price = self::money($facts, 'price');
        $given = self::money($facts, 'loan_given');
        if ($price !== null && $given?->exceeds($price) === true) {
            $told[] = 'The loan is more than the price.';
        }
        if (
            $given !== null &&
            $facts->value('loan_percent') !== null &&
            $price !== null &&
            ! $given->minus($price->share(Percent::of($facts->value('loan_percent'))))->isZero()
        ) {
            $told[] = 'The loan is entered as an amount and as a percentage, and they differ. The amount counts.';
        }
        if ($facts->value('financing') === 'cash' && ($given !== null || $facts->value('loan_percent') !== null)) {
            $told[] = 'It is a cash purchase, but a loan is entered too.';
        }
        if (self::money($facts, 'balance')?->isNegative() === true) {
            $told[] = 'Loan and earnest money together are more than the price.';
        }
        if ($price !== null && self::money($facts, 'concessions')?->exceeds($price) === true) {
            $told[] = 'The concessions are more than the price.';
        }

        return $told;
    }

    /** @return array<string, Fact> */
    private static function loan(Facts $facts, Money $price): array
    {
        if ($facts->value('financing') === 'cash') {
            return [];
        }
        $given = self::money($facts, 'loan_given');
        $percent = $facts->value('loan_percent');
        if ($given !== null) {
            return [
                'loan_amount' => new Fact($given->decimal(), 'the loan as entered'),
                'down_payment' => new Fact($price->minus($given)->decimal(), "price {$price} − loan {$given}"),
            ];
        }
        if ($percent === null) {
            return [];
        }
        $loan = $price->share($share = Percent::of($percent));

        return [
            'loan_amount' => new Fact($loan->decimal(), "price {$price} × {$share}"),
            'down_payment' => new Fact($price->minus($loan)->decimal(), "price {$price} − loan {$loan}"),
        ];
    }

    private static function money(Facts $facts, string $name): ?Money
    {
        $value = $facts->value($name);

        return $value === null ? null : Money::of($value);
    }
}
