<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/**
 * A PDF from outside, safe to keep.
 */
final readonly class CleanedPdf
{
    /**
     * @param string|null $bytes null when it can be kept as it came
     * @param list<string> $done what was done with it, in words
     */
    public function __construct(public ?string $bytes, public array $done, public int $pages)
    {
    }
}
