<?php

declare(strict_types=1);

namespace Unanimus\Exchange;

use Unanimus\Dates\LocalDate;
use Unanimus\Money\AmountUnreadable;
use Unanimus\Money\Money;
use Unanimus\Terms\PropertyFact;

/**
 * A property as the listing exchange knows it, in our own fact names.
 */
final readonly class Listing
{
    /** RESO Data Dictionary fields of the resource Property, and the facts they become. */
    private const FIELDS = [
        'StreetAddress' => 'property.street',
        'City' => 'property.city',
        'StateOrProvince' => 'property.state',
        'PostalCode' => 'property.zip',
        'CountyOrParish' => 'property.county',
        'UnitNumber' => 'property.unit',
        'PropertySubType' => 'property.kind',
        'YearBuilt' => 'property.year_built',
        'ParcelNumber' => 'property.parcel',
        'TaxLegalDescription' => 'property.legal',
        'TaxLot' => 'property.lot',
        'TaxBlock' => 'property.block',
        'SubdivisionName' => 'property.subdivision',
        'ListPrice' => 'list_price',
        'ListAgentFullName' => 'coagent.1.name',
        'ListOfficeName' => 'coagent.1.firm',
        'OwnerName' => 'seller.1.name',
        'Sewer' => 'property.sewer',
        'WaterSource' => 'property.water',
        'AssociationName' => 'property.association',
        'LivingArea' => 'property.area',
    ];

    /** Fields that say nothing to a person, or that stand elsewhere on a sheet. */
    private const NOT_TOLD = ['ListingKey', 'ListingId', 'UnparsedAddress', 'PublicRemarks', 'StreetAddress'];

    /**
     * @param array<string, string> $facts by name
     * @param array<string, string> $fields everything the exchange says, label to text
     */
    private function __construct(
        public string $number,
        public array $facts,
        public string $key = '',
        public array $fields = [],
        public string $remarks = '',
    ) {
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
        $street = trim(
            implode(
                ' ',
                array_filter([
                    $data['StreetNumber'] ?? null,
                    $data['StreetDirPrefix'] ?? null,
                    $data['StreetName'] ?? null,
                    $data['StreetSuffix'] ?? null,
                ]),
            ),
        );
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
        $kind = strtolower($facts['property.kind'] ?? 'single family');
        $facts['property.kind'] = match (true) {
            str_contains($kind, 'condo') => 'condo',
            str_contains($kind, 'town') => 'townhouse',
            str_contains($kind, 'land'), str_contains($kind, 'lot') => 'land',
            str_contains($kind, 'manufactured') => 'manufactured',
            default => in_array($kind, PropertyFact::KINDS, true) ? $kind : 'single family',
        };
        $facts['property.septic'] = str_contains(strtolower($facts['property.sewer'] ?? ''), 'septic') ? 'yes' : 'no';
        $facts['property.well'] = str_contains(strtolower($facts['property.water'] ?? ''), 'well') ? 'yes' : 'no';
        is_bool($data['NewConstructionYN'] ?? null) && ($facts['property.new_construction'] = $data['NewConstructionYN'] ? 'yes' : 'no');
        isset($facts['property.area']) && ($facts['property.area'] = (string) (int) $facts['property.area']);

        return new self(
            $number,
            $facts,
            is_string($data['ListingKey'] ?? null) ? $data['ListingKey'] : '',
            self::told($data),
            is_string($data['PublicRemarks'] ?? null) ? trim($data['PublicRemarks']) : '',
        );
    }

    /**
     * @param array<string, mixed> $data
     * @return array<string, string>
     */
    private static function told(array $data): array
    {
        $told = [];
        foreach ($data as $field => $value) {
            $value = is_array($value) ? implode(', ', array_filter($value, is_scalar(...))) : $value;
            if (! is_scalar($value) || in_array($field, self::NOT_TOLD, true) || trim((string) $value) === '') {
                continue;
            }
            $named = preg_replace('/(YN|FullName|Integer|Timestamp)$/', '', $field) ?? '';
            $label = ucfirst(strtolower(trim((string) preg_replace('/(?<=[a-z0-9])(?=[A-Z])/', ' ', $named))));
            $isMoney = preg_match('/(Price|Amount|Fee)$/', $field) === 1 && is_numeric($value);
            $told[$label] = match (true) {
                is_bool($value) => $value ? 'yes' : 'no',
                $isMoney => (string) Money::parse((string) $value),
                preg_match('/^\d{4}-\d\d-\d\dT\d\d:\d\d/', (string) $value) === 1 => LocalDate::of(substr((string) $value, 0, 10))->long(),
                default => mb_strimwidth(trim((string) $value), 0, 500, '…'),
            };
        }
        ksort($told);

        return $told;
    }

    /**
     * What stands otherwise in a file than in this reading: by fact, as it stands there and here.
     *
     * @param array<string, string> $known the file's facts as kept
     * @return array<string, array{there: string, here: string}>
     */
    public function differences(array $known): array
    {
        $found = [];
        foreach ($this->facts as $name => $value) {
            if (
                (str_starts_with($name, 'property.') || $name === 'list_price') &&
                ! in_array($name, ['property.sewer', 'property.water'], true) &&
                ($known[$name] ?? '') !== $value
            ) {
                $found[$name] = ['there' => $known[$name] ?? '', 'here' => $value];
            }
        }

        return $found;
    }

    /** In one line: "14 Lanternfish Lane, Tidewick". */
    public function address(): string
    {
        $unit = isset($this->facts['property.unit']) ? ' '.$this->facts['property.unit'] : '';

        return $this->facts['property.street'].$unit.(isset($this->facts['property.city']) ? ', '.$this->facts['property.city'] : '');
    }
}
