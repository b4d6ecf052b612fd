<?php

declare(strict_types=1);

namespace App\Storage;

/** Bytes that a row names and the store does not have, or has changed: a matter for the administrator. */
final class BytesMissing extends \RuntimeException
{
    public static function named(string $name): self
    {
        return new self("The saved file {$name} is missing or damaged.");
    }
}
