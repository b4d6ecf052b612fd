<?php

declare(strict_types=1);

namespace Unanimus\Forms;

/** A form as it was printed, with what was filled in. */
final readonly class PrintedPaper
{
    /**
     * @param string $pdf path
     * @param int $firstPage page of the PDF on which the form's first page stands, from 1
     * @param array<string, string> $values what was printed into its blanks
     */
    public function __construct(public string $pdf, public int $firstPage, public array $values)
    {
    }
}
