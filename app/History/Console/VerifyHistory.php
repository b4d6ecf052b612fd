<?php

declare(strict_types=1);

namespace App\History\Console;

use App\Access\Roots;
use App\History\History;
use App\History\Stamps;
use App\Models\Sight;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

/**
 * Tells of the brokerage's own history and of every file whose history does not hold: entries, the sealed end, and what was stamped outside
 * the database.
 */
final class VerifyHistory extends Command
{
    protected $signature = 'history:verify';

    protected $description = 'Checks every file\'s history: the chain, its sealed end, and the stamps kept outside the database';

    public function handle(): int
    {
        $checked = $broken = 0;
        foreach (Sight::brokerages() as $brokerage) {
            Sight::within($brokerage, function () use ($brokerage, &$checked, &$broken): void {
                foreach (Stamps::faults($brokerage, Roots::trusted()->stamps) as $fault) {
                    $broken++;
                    $this->error($fault);
                }
                if (($fault = History::faultOfBrokerage($brokerage)) !== null) {
                    $broken++;
                    $this->error("The history of the brokerage does not hold: {$fault}");
                }
                $stamped = Stamps::stamped($brokerage);
                foreach (
                    DB::table('deal_files')
                        ->orderBy('id')
                        ->get(['id', 'key', 'name']) as $file
                ) {
                    $fault = History::fault((int) $file->id, $stamped[$file->key] ?? []);
                    unset($stamped[$file->key]);
                    $checked++;
                    if ($fault !== null) {
                        $broken++;
                        $this->error("{$file->name} ({$file->key}): the history does not hold: {$fault}");
                    }
                }
                foreach (array_keys($stamped) as $key) {
                    $broken++;
                    $this->error("A file with the key {$key} was stamped and is not there any more.");
                }
            });
        }
        $this->info("{$checked} files checked, {$broken} broken");

        return $broken === 0 ? self::SUCCESS : self::FAILURE;
    }
}
