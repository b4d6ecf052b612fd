<?php

declare(strict_types=1);

namespace App\Work;

use App\Models\Sight;
use Illuminate\Console\Command;

/**
 * A command that goes over many things, each in a transaction of its own: one that fails is told, and tried again the next time; the
 * others go on.
 *
 * @phpstan-require-extends Command
 */
trait TriesEach
{
    private int $failed = 0;

    /** What the work gives; null where it failed. */
    private function try(int $brokerageId, callable $work): mixed
    {
        try {
            return Sight::within($brokerageId, $work);
        } catch (\Throwable $fault) {
            report($fault);
            $this->error($fault->getMessage());
            $this->failed++;

            return null;
        }
    }

    private function ended(): int
    {
        return $this->failed === 0 ? self::SUCCESS : self::FAILURE;
    }
}
