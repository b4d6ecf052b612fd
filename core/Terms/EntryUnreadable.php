<?php

declare(strict_types=1);

namespace Unanimus\Terms;

/** An entry that cannot be read as what its blank wants; the message says how to write it. */
final class EntryUnreadable extends \InvalidArgumentException
{
    /** Not a time of day. */
    public static function time(string $text): self
    {
        return new self("“{$text}” could not be read as a time. Write it as 3pm or 15:30.");
    }

    /** Not a number. */
    public static function number(string $text, string $meant = ''): self
    {
        return new self(rtrim("“{$text}” could not be read as a number. {$meant}"));
    }

    /**
     * None of the few things that may stand there.
     *
     * @param list<string> $options
     */
    public static function choice(string $text, array $options): self
    {
        return new self("“{$text}” is not one of the choices: ".implode(', ', $options).'.');
    }

    /** More text than one entry holds. */
    public static function tooLong(int $longest): self
    {
        return new self("This is longer than {$longest} characters. Put the rest on a continuation page.");
    }
}
