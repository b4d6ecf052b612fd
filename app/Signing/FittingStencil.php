<?php

declare(strict_types=1);

namespace App\Signing;

use App\Models\StoredStencil;
use Unanimus\Signing\StencilFit;

/** A stencil that fits a paper, and where its marks are there. */
final readonly class FittingStencil
{
    public function __construct(public StoredStencil $stored, public StencilFit $fit)
    {
    }
}
