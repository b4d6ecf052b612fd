<?php

declare(strict_types=1);

namespace Unanimus\Exchange;

use Unanimus\Money\AmountUnreadable;
use Unanimus\Money\Money;

/**
 * A property as the listing exchange knows it, in our own fact names.
 */
final readonly class Listing
{
    /** RESO Data Dictionary fields of the resource Property, and the facts they become. */
    private const FIELDS = [
        'StreetAddress' => 'property.street', 'City' => 'property.city', 'StateOrProvince' => 'property.state', 'PostalCode' => 'property.zip',
        'CountyOrParish' => 'property.county', 'UnitNumber' => 'property.unit', 'PropertySubType' => 'property.kind', 'YearBuilt' => 'property.year_built', 'ParcelNumber' => 'property.parcel',
        'TaxLegalDescription' => 'property.legal', 'TaxLot' => 'property.lot', 'TaxBlock' => 'property.block', 'SubdivisionName' => 'property.subdivision',
        'ListPrice' => 'list_price', 'ListAgentFullName' => 'coagent.1.name', 'ListOfficeName' => 'coagent.1.firm', 'OwnerName' => 'seller.1.name',
        'Sewer' => 'property.sewer', 'WaterSource' => 'property.water', 'AssociationName' => 'property.association',
    ];

    /** @param  array<string, string>  $facts by name */
    private function __construct(public string $number, public array $facts)
    {
    }

    /**
     * A listing from the JSON of a RESO Web API's Property resource.
     *
     * @param array<string, mixed> $data
     *
     * @throws ExchangeUnavailable when it has no number or no address
     *
     * @link https://www.reso.org/data-dictionary/
     */
    public static function fromReso(array $data): self
    {
        $number = $data['ListingId'] ?? null;
        $street = trim(implode(' ', array_filter([$data['StreetNumber'] ?? null, $data['StreetDirPrefix'] ?? null, $data['StreetName'] ?? null, $data['StreetSuffix'] ?? null])));
        if (! is_string($number) || $number === '' || $street === '') {
            throw new ExchangeUnavailable('The listing exchange answered with a listing that has no number or no address.');
        }
        $data['StreetAddress'] = $street;
        try {
            $data['ListPrice'] = isset($data['ListPrice']) ? Money::parse((string) $data['ListPrice'])->decimal() : null;
        } catch (AmountUnreadable) {
            $data['ListPrice'] = null;
        }
        $facts = [];
        foreach (self::FIELDS as $field => $fact) {
            $value = $data[$field] ?? null;
            $value = is_array($value) ? implode(', ', array_filter($value, is_string(...))) : $value;
            if (is_scalar($value) && trim((string) $value) !== '') {
                $facts[$fact] = mb_strimwidth(trim((string) $value), 0, 500);
            }
        }
        $facts['property.kind'] = strtolower($facts['property.kind'] ?? 'single family');
        $facts['property.septic'] = str_contains(strtolower($facts['property.sewer'] ?? ''), 'septic') ? 'yes' : 'no';

        return new self($number, $facts);
    }

    /** In one line: "14 Lanternfish Lane, Tidewick". */
    public function address(): string
    {
        $unit = isset($this->facts['property.unit']) ? ' '.$this->facts['property.unit'] : '';

        return $this->facts['property.street'].$unit.(isset($this->facts['property.city']) ? ', '.$this->facts['property.city'] : '');
    }
}
