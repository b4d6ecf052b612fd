<?php

declare(strict_types=1);

namespace App\Moving\Console;

use App\Models\Sight;
use App\Moving\ExportBrokerage;
use App\Moving\MoveRefused;
use App\Storage\BytesMissing;
use Illuminate\Console\Command;

/** Writes a brokerage into a folder. */
final class ExportAll extends Command
{
    protected $signature = 'brokerage:export {folder : where it goes} {--brokerage= : whose, where there are several}';

    protected $description = 'Writes all of a brokerage into a folder (BagIt)';

    public function handle(ExportBrokerage $export): int
    {
        $folder = rtrim((string) $this->argument('folder'), '/');
        $all = Sight::brokerages();
        $id = (int) ($this->option('brokerage') ?: (count($all) === 1 ? $all[0] : 0));
        if (! in_array($id, $all, true)) {
            $this->error('Say whose with --brokerage='.implode(' or ', $all).'.');

            return self::FAILURE;
        }
        if (! is_dir($folder) && ! @mkdir($folder, 0o775, true)) {
            $this->error("{$folder} cannot be made.");

            return self::FAILURE;
        }
        try {
            $export($id, $folder, fn (string $told) => $this->line($told));
        } catch (MoveRefused $refused) {
            $this->error($refused->getMessage());

            return self::FAILURE;
        } catch (BytesMissing $missing) {
            $this->error("{$missing->getMessage()} The folder is not whole; run it again once that is there.");

            return self::FAILURE;
        }
        $this->info("Written to {$folder}.");

        return self::SUCCESS;
    }
}
