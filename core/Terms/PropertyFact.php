<?php

declare(strict_types=1);

namespace Unanimus\Terms;

/**
 * What may be known of the property and entered by hand.
 */
enum PropertyFact: string
{
    case Street = 'property.street';
    case Unit = 'property.unit';
    case City = 'property.city';
    case County = 'property.county';
    case State = 'property.state';
    case Zip = 'property.zip';
    case YearBuilt = 'property.year_built';
    case Parcel = 'property.parcel';
    case Legal = 'property.legal';
    case Lot = 'property.lot';
    case Block = 'property.block';
    case Subdivision = 'property.subdivision';
    case Kind = 'property.kind';
    case Area = 'property.area';
    case Septic = 'property.septic';
    case Well = 'property.well';
    case FloodZone = 'property.flood_zone';
    case NewConstruction = 'property.new_construction';
    case Association = 'property.association';
    case ListPrice = 'list_price';

    /** What a property may be. */
    public const KINDS = ['single family', 'condo', 'townhouse', 'multi-family', 'land', 'manufactured', 'commercial'];

    /** As read on the screen. */
    public function label(): string
    {
        return match ($this) {
            self::City => 'Town',
            self::Zip => 'ZIP code',
            self::Parcel => 'Parcel number',
            self::Legal => 'Legal description',
            self::YearBuilt => 'Year built',
            self::ListPrice => 'List price',
            self::Kind => 'Kind of property',
            self::Area => 'Living area, sq ft',
            self::Septic => 'Septic system',
            self::FloodZone => 'Flood zone',
            self::NewConstruction => 'New construction',
            default => ucfirst(str_replace('property.', '', $this->value)),
        };
    }

    /** What it holds. */
    public function kind(): Kind
    {
        return match ($this) {
            self::YearBuilt, self::Area => Kind::Number,
            self::ListPrice => Kind::Money,
            default => Kind::Text,
        };
    }

    /** @return array<string, string>|null */
    public function choices(): ?array
    {
        return match ($this) {
            self::Septic, self::Well, self::NewConstruction => ['yes' => 'yes', 'no' => 'no'],
            self::Kind => array_combine(self::KINDS, self::KINDS),
            default => null,
        };
    }
}
