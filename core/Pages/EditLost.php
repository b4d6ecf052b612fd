<?php

declare(strict_types=1);

namespace Unanimus\Pages;

/** A change to a PDF that is not in the file that was written: nothing of it is kept. */
final class EditLost extends \RuntimeException
{
    /** What is missing, in words. */
    public static function of(string $missing): self
    {
        return new self("What was written was read back and is not complete: {$missing}.");
    }
}
