<?php

declare(strict_types=1);

namespace Unanimus\Api;

use Unanimus\Files\DealStatus;
use Unanimus\Terms\PropertyFact;
use Unanimus\Terms\Term;

/**
 * A deal under the field names of the RESO Data Dictionary (resource Property), where it has one. Money is a decimal text, so that no
 * reader rounds it; days are YYYY-MM-DD.
 *
 * @link https://www.reso.org/data-dictionary/
 */
final class DealFields
{
    /** Fields of the dictionary, and the fact each says. */
    public const FACTS = [
        'StreetAddress' => 'property.street',
        'UnitNumber' => 'property.unit',
        'City' => 'property.city',
        'CountyOrParish' => 'property.county',
        'StateOrProvince' => 'property.state',
        'PostalCode' => 'property.zip',
        'YearBuilt' => 'property.year_built',
        'ParcelNumber' => 'property.parcel',
        'PropertySubType' => 'property.kind',
        'LivingArea' => 'property.area',
        'SubdivisionName' => 'property.subdivision',
        'ListPrice' => 'list_price',
        'ListingContractDate' => 'listed_on',
        'ExpirationDate' => 'listing_expires',
        'ClosePrice' => 'price',
        'CloseDate' => 'closing',
        'PurchaseContractDate' => 'acceptance',
        'BuyerFinancing' => 'financing',
        'ConcessionsAmount' => 'concessions',
        'Inclusions' => 'included',
        'Exclusions' => 'excluded',
    ];

    /** How the dictionary calls where a file stands. */
    public static function standardStatus(DealStatus $status): string
    {
        return match ($status) {
            DealStatus::Preparing => 'Incomplete',
            DealStatus::Active => 'Active',
            DealStatus::UnderContract => 'Active Under Contract',
            DealStatus::Closed => 'Closed',
            DealStatus::Terminated => 'Canceled',
            DealStatus::Expired => 'Expired',
            DealStatus::Withdrawn => 'Withdrawn',
        };
    }

    /**
     * What is known, under the dictionary's names; what is not known is null.
     *
     * @param array<string, string> $known values by the name of their fact
     * @return array<string, string|null>
     */
    public static function of(array $known): array
    {
        return array_map(static fn (string $fact) => ($known[$fact] ?? '') === '' ? null : $known[$fact], self::FACTS);
    }

    /**
     * All that is known, under our own names.
     *
     * @param array<string, string> $known values by the name of their fact
     * @return array<string, string>
     */
    public static function terms(array $known): array
    {
        ksort($known);

        return array_filter($known, static fn (string $value, string $name) => $value !== '' && self::isFact($name), ARRAY_FILTER_USE_BOTH);
    }

    /** The fact that a field names, by the dictionary's name or ours; null: there is none. */
    public static function fact(string $field): ?string
    {
        return self::FACTS[$field] ?? (self::isFact($field) ? $field : null);
    }

    /** @return list<string> names under which a term can be written */
    public static function names(): array
    {
        return [
            ...array_keys(self::FACTS),
            ...array_map(static fn (Term $term) => $term->value, Term::cases()),
            ...array_map(static fn (PropertyFact $fact) => $fact->value, PropertyFact::cases()),
        ];
    }

    private static function isFact(string $name): bool
    {
        return Term::tryFrom($name) !== null || PropertyFact::tryFrom($name) !== null;
    }
}
