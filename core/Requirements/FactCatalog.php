<?php

declare(strict_types=1);

namespace Unanimus\Requirements;

use Unanimus\Money\Money;
use Unanimus\Terms\Kind;
use Unanimus\Terms\PropertyFact;
use Unanimus\Terms\Term;

/**
 * The facts a condition may ask about, as they are read, with what each may hold.
 */
final class FactCatalog
{
    private const OTHERS = [
        'represents' => [
            'We represent',
            [
                'buyer' => 'the buyer',
                'seller' => 'the seller',
                'both' => 'both sides',
                'tenant' => 'the tenant',
                'landlord' => 'the landlord',
            ],
        ],
        'kind' => ['Kind of deal', ['sale' => 'sale', 'lease' => 'lease', 'referral' => 'referral']],
        'office' => ['Office', null],
        'status' => ['Status', ['preparing' => 'preparing', 'active' => 'active', 'under_contract' => 'under contract']],
        'buyers.count' => ['Number of buyers', null],
        'sellers.count' => ['Number of sellers', null],
        'tenants.count' => ['Number of tenants', null],
        'landlords.count' => ['Number of landlords', null],
        'entity.party' => ['A party is an entity, trust or estate', ['yes' => 'yes', 'no' => 'no']],
        'attorney.party' => ['A party signs by an attorney-in-fact', ['yes' => 'yes', 'no' => 'no']],
        'listing.number' => ['Listing number', null],
    ];

    /** @return array<string, string> every fact, name to label, by label */
    public static function all(): array
    {
        $all = array_map(static fn (array $other) => $other[0], self::OTHERS);
        foreach ([...PropertyFact::cases(), ...Term::cases()] as $item) {
            $all[$item->value] = $item->label();
        }
        asort($all);

        return $all;
    }

    /** The fact's label; its bare name when it is none of the catalog. */
    public static function label(string $fact): string
    {
        return self::OTHERS[$fact][0] ?? (self::item($fact)?->label() ?? $fact);
    }

    /** @return array<string, string>|null what it may hold, when it is one of a few */
    public static function choices(string $fact): ?array
    {
        return self::OTHERS[$fact][1] ?? self::item($fact)?->choices();
    }

    /** A value of that fact as read: choices by their words, amounts as money. */
    public static function shows(string $fact, string $value): string
    {
        $choices = self::choices($fact);
        if ($choices !== null) {
            return implode(' or ', array_map(static fn (string $one) => $choices[trim($one)] ?? trim($one), explode(',', $value)));
        }

        return self::item($fact)?->kind() === Kind::Money && preg_match('/^\d+(\.\d{1,2})?$/', $value) === 1
            ? (string) Money::of($value)
            : $value;
    }

    private static function item(string $fact): Term|PropertyFact|null
    {
        return Term::tryFrom($fact) ?? PropertyFact::tryFrom($fact);
    }
}
