<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * One place on a page where a field of a fillable PDF shows.
 */
final readonly class PdfWidget
{
    /**
     * @param int $page from 1; 0 when it stands on no page
     * @param array{float, float, float, float} $corners left, bottom, right, top in the file's own measure
     * @param Rect|null $place the same as the page is read; null when it has no extent
     * @param int $turn degrees clockwise by which its text stands turned on the page as it is read
     * @param int $own degrees counter-clockwise by which it is turned against its page
     * @param string $object name of the object that holds it ("12 0 R"), itself or the one it lies in
     * @param string|null $on the state that ticks it
     */
    public function __construct(
        public int $page,
        public array $corners,
        public ?Rect $place,
        public int $turn,
        public int $own,
        public string $object,
        public \stdClass $dict,
        public ?string $on = null,
    ) {
    }
}
