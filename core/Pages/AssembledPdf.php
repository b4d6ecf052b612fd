<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * Papers put together.
 */
final readonly class AssembledPdf
{
    /**
     * @param string $pdf bytes
     * @param list<string> $notes what was left out, in words
     */
    public function __construct(public string $pdf, public int $pages, public array $notes)
    {
    }
}
