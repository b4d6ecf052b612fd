<?php

declare(strict_types=1);

namespace App\Access;

use Unanimus\Evidence\TrustList;

/** The certificates this installation believes, from its configuration. */
final class Roots
{
    public static function trusted(): TrustList
    {
        $files = static fn (string $which) => array_values(
            array_filter(array_map(trim(...), explode(',', (string) config("unanimus.trust.{$which}")))),
        );

        return TrustList::fromFiles([...$files('seals'), OwnSeal::roots()], $files('stamps'), $files('others'));
    }
}
