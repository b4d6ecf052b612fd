<?php

declare(strict_types=1);

namespace App\History\Console;

use App\Access\Sight;
use App\History\History;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

/** Tells of every file whose history does not hold. */
final class VerifyHistory extends Command
{
    protected $signature = 'history:verify';

    protected $description = 'Checks the hash chain of every file\'s history';

    public function handle(): int
    {
        $checked = 0;
        $broken = 0;
        foreach (Sight::brokerages() as $brokerage) {
            Sight::within($brokerage, function () use (&$checked, &$broken): void {
                foreach (DB::table('deal_files')->orderBy('id')->get(['id', 'key', 'name']) as $file) {
                    $at = History::firstBroken((int) $file->id);
                    $checked++;
                    if ($at !== null) {
                        $broken++;
                        $this->error("{$file->name} ({$file->key}): the history is broken at entry {$at}");
                    }
                }
            });
        }
        $this->info("{$checked} files checked, {$broken} broken");

        return $broken === 0 ? self::SUCCESS : self::FAILURE;
    }
}
