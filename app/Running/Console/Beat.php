<?php

declare(strict_types=1);

namespace App\Running\Console;

use App\Running\Measured;
use Illuminate\Console\Command;

/** Notes that the scheduler runs, that a backup was taken, or that one was tried. */
final class Beat extends Command
{
    protected $signature = 'installation:beat {what=scheduler : scheduler, backup or rehearsal}';

    protected $description = 'Notes that the scheduler runs, or that a backup was taken or tried';

    public function handle(): int
    {
        $what = (string) $this->argument('what');
        if (! in_array($what, ['scheduler', 'backup', 'rehearsal', 'bytes', 'bytes-broken'], true)) {
            $this->error('Say scheduler, backup or rehearsal.');

            return self::FAILURE;
        }
        Measured::mark($what);

        return self::SUCCESS;
    }
}
