<?php

declare(strict_types=1);

namespace Unanimus\Forms;

use Unanimus\Pages\Rect;

/**
 * Something on a paper that a person should look at before others do.
 */
final readonly class Finding
{
    /**
     * @param string $blank where on the paper; empty: the paper as a whole
     * @param string $text what is wrong, in words
     * @param int|null $page of the paper, where it takes no entries any more
     */
    public function __construct(public string $blank, public string $text, public ?int $page = null, public ?Rect $place = null)
    {
    }
}
