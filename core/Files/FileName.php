<?php

declare(strict_types=1);

namespace Unanimus\Files;

use Unanimus\Parties\DealKind;
use Unanimus\Parties\Representation;
use Unanimus\Terms\Facts;

/**
 * What a file is called: after the property once there is one, else after those we act for.
 */
final class FileName
{
    /** The name that follows from what is known; "New file" when nothing is. */
    public static function from(Facts $facts): string
    {
        // Papers without a deal keep the name they were given.
        if ($facts->value('kind') === DealKind::Papers->value) {
            return 'New file';
        }
        $street = $facts->value('property.street');
        if ($street !== null) {
            $unit = $facts->value('property.unit');
            $city = $facts->value('property.city');

            return $street.($unit === null ? '' : " {$unit}").($city === null ? '' : ", {$city}");
        }
        $kind = DealKind::tryFrom((string) $facts->value('kind')) ?? DealKind::Sale;
        $side = (Representation::tryFrom((string) $facts->value('represents')) ?? Representation::Buyer)->firstSide($kind);
        $clients = $side->value;
        $names = array_filter([$facts->value("{$clients}.1.name"), $facts->value("{$clients}.2.name")]);
        $surnames = array_map(static fn (string $name) => preg_replace('/^.*\s/u', '', $name), $names);
        $deal = match (true) {
            $kind !== DealKind::Sale => $kind->value,
            default => $side->isListing() ? 'sale' : 'purchase',
        };

        return $surnames === [] ? 'New file' : implode(' & ', array_unique($surnames))." {$deal}";
    }
}
