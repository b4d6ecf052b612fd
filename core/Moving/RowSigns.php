<?php

declare(strict_types=1);

namespace Unanimus\Moving;

use Unanimus\Exchange\ImportRow;
use Unanimus\Finding\Query;
use Unanimus\Terms\Address;

/** By what a row of the list of files is known to folders and to other lists. */
final readonly class RowSigns
{
    /**
     * @param string $folder the folder it names itself
     * @param string $listing its listing number, letters and numbers alone
     * @param string $street street and unit, in one spelling
     * @param string $building the street alone, where there is a unit; '' otherwise
     */
    private function __construct(public string $folder, public string $listing, public string $street, public string $building)
    {
    }

    /** What a row is known by. */
    public static function of(ImportRow $row): self
    {
        $street = $row->facts['property.street'] ?? '';
        $unit = $row->facts['property.unit'] ?? '';

        return new self(
            mb_strtolower(trim(str_replace('\\', '/', $row->folder), " /\t")),
            Query::plain($row->listing),
            self::spelled(Address::of($street, $unit)),
            $unit === '' ? '' : self::spelled(Address::of($street)),
        );
    }

    /** A street as it is compared: one spelling of its words, and the unit. */
    public static function spelled(Address $address): string
    {
        [$street, $unit] = explode('|', $address->key().'||');

        return Query::plain("{$street} {$unit}");
    }
}
