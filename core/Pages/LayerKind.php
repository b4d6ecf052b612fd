<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * What may be put over a page that is printed already.
 */
enum LayerKind: string
{
    case Text = 'text';
    case Tick = 'tick';
    case Date = 'date';
    case Line = 'line';
    case Cover = 'cover';

    /** As read. */
    public function label(): string
    {
        return match ($this) {
            self::Line => 'line-through',
            default => $this->value,
        };
    }

    /** Whether it is written. */
    public function isWritten(): bool
    {
        return $this === self::Text || $this === self::Date;
    }

    /** Whether it takes its places from the printed words under it. */
    public function followsWords(): bool
    {
        return $this === self::Line || $this === self::Cover;
    }
}
