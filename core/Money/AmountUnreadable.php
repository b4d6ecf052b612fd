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

    /** What a person typed is no amount. @param  string  $meant what it may be meant to say, as a sentence */
    public static function typed(string $text, string $meant = ''): self
    {
        return new self("“{$text}” could not be read as an amount. ".($meant === '' ? 'Write it as 412,500 or 450k.' : $meant));
    }

    /** An amount below nothing where there can be none. */
    public static function negative(string $text): self
    {
        return new self("“{$text}” is below zero. Enter it without the minus.");
    }

    /** What a person typed is no percentage. @param  string  $meant what it may be meant to say, as a sentence */
    public static function percent(string $text, string $meant = ''): self
    {
        return new self("“{$text}” could not be read as a percentage between 0 and 100. ".($meant === '' ? 'Write it as 96.5.' : $meant));
    }
}
