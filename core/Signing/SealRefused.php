<?php

declare(strict_types=1);

namespace Unanimus\Signing;

/** A round that must not be sealed, because what would be drawn is not what was sent or chosen. */
final class SealRefused extends \RuntimeException
{
    /** A signer's signature is not the one they chose. */
    public static function signatureDiffers(string $seat): self
    {
        return new self("The signature of {$seat} is not the one that was chosen.");
    }

    /** A signer has no signature. */
    public static function signatureMissing(string $seat): self
    {
        return new self("There is no signature of {$seat}, though the round is complete.");
    }

    /** A place is not where it was sent, or is there without having been sent. */
    public static function placesDiffer(): self
    {
        return new self('The places to sign are not those that were sent.');
    }

    /** A place has no event of its signer. */
    public static function markNotMade(string $seat): self
    {
        return new self("A place of {$seat} was never signed.");
    }

    /** A paper's bytes are not those that were sent. */
    public static function paperDiffers(string $title): self
    {
        return new self("“{$title}” is not the document that was sent.");
    }
}
