<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * A page as it was read, from its file or from its picture.
 */
final readonly class PageRead
{
    /**
     * @param int $number from 1
     * @param float $height in points
     * @param list<Word> $words
     * @param list<WritingPlace> $fields those of its form that are written or signed in
     */
    public function __construct(
        public int $number,
        public float $height,
        public array $words,
        public PageRules $rules,
        public array $fields = [],
    ) {
    }
}
