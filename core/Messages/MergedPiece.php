<?php

declare(strict_types=1);

namespace Unanimus\Messages;

/** A piece of a letter: words as written, a field's value, or a field that has none. */
final readonly class MergedPiece
{
    private function __construct(public string $text, public bool $isField, public bool $isEmpty, public bool $isUnknown)
    {
    }

    public static function words(string $text): self
    {
        return new self($text, false, false, false);
    }

    public static function value(string $text): self
    {
        return new self($text, true, false, false);
    }

    /** A field of which nothing is known, by what it is called. */
    public static function empty(string $label): self
    {
        return new self($label, true, true, false);
    }

    /** What stands in braces and is no field. */
    public static function unknown(string $code): self
    {
        return new self($code, true, false, true);
    }
}
