<?php

declare(strict_types=1);

namespace Unanimus\Terms;

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
        $price = self::money($facts, 'price');
        if ($price === null) {
            return $facts;
        }
        $more = [];
        $loan = Money::zero();
        $percent = $facts->value('loan_percent');
        if ($percent !== null && $facts->value('financing') !== 'cash') {
            $share = Percent::of($percent);
            $loan = $price->share($share);
            $more['loan_amount'] = new Fact($loan->decimal(), "price {$price} × {$share}");
            $more['down_payment'] = new Fact($price->minus($loan)->decimal(), "price {$price} − loan {$loan}");
        }
        $earnest = self::money($facts, 'earnest_money');
        if ($earnest !== null && ($percent !== null || $facts->value('financing') === 'cash')) {
            $more['balance'] = new Fact(
                $price->minus($loan)->minus($earnest)->decimal(),
                "price {$price} − loan {$loan} − earnest money {$earnest}",
            );
        }

        return $facts->with($more);
    }

    /** @return list<string> what in the terms contradicts itself, in words; told, never blocked */
    public static function contradictions(Facts $facts): array
    {
        $told = [];
        [$acceptance, $closing] = [$facts->value('acceptance'), $facts->value('closing')];
        if ($acceptance !== null && $closing !== null && $closing < $acceptance) {
            $told[] = 'Closing is before acceptance.';
        }
        $balance = self::money($facts, 'balance');
        if ($balance !== null && $balance->isNegative()) {
            $told[] = 'Loan and earnest money together are more than the price.';
        }

        return $told;
    }

    private static function money(Facts $facts, string $name): ?Money
    {
        $value = $facts->value($name);

        return $value === null ? null : Money::of($value);
    }
}
