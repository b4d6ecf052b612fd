<?php

declare(strict_types=1);

namespace Unanimus\Forms;

/** The printed pages of a form's revision. */
final readonly class PrintedForm
{
    /**
     * @param list<array{float, float}> $pages width and height in points
     * @param string $pdf their path
     */
    public function __construct(public array $pages, public string $pdf)
    {
    }
}
