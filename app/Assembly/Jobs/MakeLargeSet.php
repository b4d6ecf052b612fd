<?php

declare(strict_types=1);

namespace App\Assembly\Jobs;

use App\Assembly\Actions\KeepSet;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Puts many pages together. May run twice or be killed half-way: there is one set in the end. */
final class MakeLargeSet implements ShouldQueue
{
    use Queueable;

    public int $tries = 5;

    public int $timeout = 600;

    /** @var list<int> */
    public array $backoff = [5, 30, 120];

    public function __construct(private readonly int $brokerageId, private readonly int $setId)
    {
    }

    public function handle(KeepSet $keep): void
    {
        $keep->work($this->brokerageId, $this->setId);
    }
}
