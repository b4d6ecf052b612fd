<?php

declare(strict_types=1);

namespace App\Signing\Jobs;

use App\Signing\Actions\PlaceFound;
use App\Work\Work;

/** Reads where a scan seems to be signed, while its round is being composed. */
final class ReadScan extends Work
{
    public const KIND = 'reading';

    public int $timeout = 900;

    protected function work(): void
    {
        app(PlaceFound::class)->work($this->brokerageId, $this->thing);
    }
}
