<?php

declare(strict_types=1);

namespace App\Moving\Console;

use App\Models\Import;
use App\Models\Sight;
use App\Storage\Bytes;
use App\Work\TriesEach;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

/**
 * Lets go of ZIPs and spreadsheets that have become files: what stood in them is kept with its file, and goes with it.
 */
final class SweepParcels extends Command
{
    use TriesEach;

    protected $signature = 'moving:sweep';

    protected $description = 'Lets go of ZIPs and spreadsheets whose files are opened';

    public function handle(Bytes $bytes): int
    {
        foreach (Sight::brokerages() as $brokerage) {
            $done = Sight::within($brokerage, static fn () => Import::query()
                ->where('updated_at', '<', now()->subDay())
                ->where('state', 'done')
                ->where(static fn ($one) => $one->whereNotNull('sha256')->orWhereNotNull('parcel_sha256'))
                ->whereDoesntHave('papers', static fn ($papers) => $papers->where('outcome', 'unread'))
                ->limit(200)
                ->get());
            foreach ($done as $import) {
                $this->try($brokerage, static function () use ($import, $bytes): void {
                    $names = array_filter([$import->sha256, $import->parcel_sha256]);
                    $import->update(['sha256' => null, 'parcel_sha256' => null]);
                    foreach ($names as $sha256) {
                        DB::scalar('SELECT let_bytes_go(?)', [$sha256]) === 'gone' && $bytes->drop($sha256);
                    }
                });
            }
        }

        return $this->ended();
    }
}
