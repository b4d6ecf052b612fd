<?php

declare(strict_types=1);

namespace Unanimus\Money;

/** An amount or a percentage that cannot be read as one. */
final class AmountUnreadable extends \InvalidArgumentException
{
    /** The stored text is no decimal of dollars and cents. */
    public static function notDecimal(string $text): self
    {
        return new self("“{$text}” is not an amount in dollars and cents.");
    }

    /** What a person typed is no amount. */
    public static function typed(string $text): self
    {
        return new self("“{$text}” could not be read as an amount. Write it as 412,500 or 450k.");
    }

    /** What a person typed is no percentage. */
    public static function percent(string $text): self
    {
        return new self("“{$text}” could not be read as a percentage between 0 and 100. Write it as 96.5.");
    }
}
