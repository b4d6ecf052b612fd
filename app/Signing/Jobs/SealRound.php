<?php

declare(strict_types=1);

namespace App\Signing\Jobs;

use App\Access\Sight;
use App\Signing\Actions\SealSet;
use App\Signing\Models\Round;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Seals a round that everyone has signed. May run twice or be killed half-way: there is one sealed set in the end. */
final class SealRound implements ShouldQueue
{
    use Queueable;

    public int $tries = 8;

    /** @var list<int> */
    public array $backoff = [2, 10, 30, 60, 120, 300, 600];

    public function __construct(private readonly int $brokerageId, private readonly int $roundId)
    {
    }

    public function handle(SealSet $seal): void
    {
        Sight::within($this->brokerageId, function () use ($seal): void {
            $round = Round::query()->find($this->roundId);
            $round !== null && $seal($round);
        });
    }
}
