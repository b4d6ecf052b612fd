<?php

declare(strict_types=1);

namespace Unanimus\Intake;

/**
 * A file from outside as it may be kept: a PDF, with what had to be done to it.
 */
final readonly class Brought
{
    /**
     * @param string $pdf its bytes
     * @param list<string> $notes in words
     */
    public function __construct(public string $pdf, public int $pages, public array $notes)
    {
    }
}
