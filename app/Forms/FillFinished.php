<?php

declare(strict_types=1);

namespace App\Forms;

use App\Models\FillRequest;

/** A client has filled in what they were asked for. */
final readonly class FillFinished
{
    public function __construct(public FillRequest $request)
    {
    }
}
