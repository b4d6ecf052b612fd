<?php

declare(strict_types=1);

namespace Unanimus\Evidence;

/** A sealed document that does not hold, or a seal that cannot be made. */
final class SealBroken extends \RuntimeException
{
    /** The signature's bytes cannot be read. */
    public static function unreadable(): self
    {
        return new self('it cannot be read.');
    }

    /** It could not be made. */
    public static function notMade(string $why): self
    {
        return new self("The seal could not be made: {$why}");
    }
}
