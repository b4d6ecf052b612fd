<?php

declare(strict_types=1);

namespace App\Running\Console;

use App\Running\Measured;
use Illuminate\Console\Command;
use Unanimus\Running\Level;

/** Says in words what is wrong with a running installation. */
final class CheckAll extends Command
{
    protected $signature = 'installation:check';

    protected $description = 'Says what is wrong with this installation, if anything is';

    public function handle(): int
    {
        $worst = Level::Well;
        foreach (Measured::all() as $finding) {
            $worst = $worst->worse($finding->level);
            $mark = match ($finding->level) {
                Level::Well => 'well   ',
                Level::Look => 'look   ',
                Level::Broken => 'BROKEN ',
            };
            $this->line("{$mark} {$finding->part}: {$finding->says}");
        }

        return $worst === Level::Broken ? self::FAILURE : self::SUCCESS;
    }
}
