<?php

declare(strict_types=1);

namespace App\Assembly\Jobs;

use App\Assembly\Actions\KeepSet;
use App\Assembly\Actions\SendMissing;
use App\Models\Sight;
use App\Work\Work;

/** Combines many pages. May run twice or be killed half-way: there is one set in the end, and it goes once to whom it is for. */
final class MakeLargeSet extends Work
{
    public const KIND = 'sets';

    public int $timeout = 600;

    protected function work(): void
    {
        app(KeepSet::class)->work($this->brokerageId, $this->thing);
        Sight::within($this->brokerageId, fn () => app(SendMissing::class)->ready($this->thing));
    }
}
