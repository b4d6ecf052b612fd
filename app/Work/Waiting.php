<?php

declare(strict_types=1);

namespace App\Work;

use Illuminate\Support\Carbon;
use Unanimus\Dates\Moment;

/** Why work waits, and until when. */
final readonly class Waiting
{
    public function __construct(public string $fault, public int $tries, public ?Carbon $nextTry, public bool $stopped)
    {
    }

    /** "Sealing waits for the time stamp, next try 5:32 pm." */
    public function sentence(string $what, string $zone): string
    {
        return $this->stopped
            ? "{$what} was stopped: {$this->fault}"
            : "{$what} {$this->fault}".($this->nextTry === null ? '.' : ', next try '.Moment::time($this->nextTry, $zone).'.');
    }
}
