<?php

declare(strict_types=1);

namespace Unanimus\Forms;

/**
 * Something about a form in the making that should be put right.
 */
final readonly class DraftFault
{
    /**
     * @param string $item id of the item it is about; empty: the form as a whole
     * @param bool $blocks whether the form cannot be used as long as it is so
     */
    public function __construct(public string $item, public string $text, public bool $blocks = true)
    {
    }
}
