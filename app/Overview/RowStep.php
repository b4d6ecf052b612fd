<?php

declare(strict_types=1);

namespace App\Overview;

use Unanimus\Review\NextStep;

/** The one next step of a row of the board, as its button says it. */
final readonly class RowStep
{
    /** @param  string  $target  where it leads, or the key of what it acts on */
    public function __construct(public NextStep $step, public string $label, public string $target)
    {
    }
}
