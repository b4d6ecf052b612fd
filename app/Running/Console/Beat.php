<?php

declare(strict_types=1);

namespace App\Running\Console;

use App\Running\Measured;
use Illuminate\Console\Command;

/** Notes that the scheduler runs, or that a backup was taken. */
final class Beat extends Command
{
    protected $signature = 'installation:beat {what=scheduler : scheduler or backup}';

    protected $description = 'Notes that the scheduler runs, or that a backup was taken';

    public function handle(): int
    {
        $what = (string) $this->argument('what');
        if (! in_array($what, ['scheduler', 'backup'], true)) {
            $this->error('Say scheduler or backup.');

            return self::FAILURE;
        }
        Measured::mark($what);

        return self::SUCCESS;
    }
}
