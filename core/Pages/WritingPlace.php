<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * A place on a flat page that is meant to be written in or ticked, and by what it was told.
 */
final readonly class WritingPlace
{
    /**
     * @param 'line'|'box'|'tick' $shape
     * @param 'underscores'|'ruled line'|'box'|'cell'|'check square'|'brackets' $by
     * @param string $caption words inside its own box, if it has some
     * @param Rect|null $cell the cell of which it is a part
     */
    public function __construct(
        public string $shape,
        public Rect $place,
        public string $by,
        public string $caption = '',
        public ?Rect $cell = null,
    ) {
    }
}
