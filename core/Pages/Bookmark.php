<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * A place in a PDF that readers list by its title, with those folded beneath it.
 */
final readonly class Bookmark
{
    /**
     * @param int $page from 1
     * @param list<self> $below
     */
    public function __construct(public string $title, public int $page, public array $below = [])
    {
    }
}
