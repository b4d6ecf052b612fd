<?php

declare(strict_types=1);

namespace App\Retention\Console;

use App\Models\Office;
use App\Models\PurgeCertificate;
use App\Models\Sight;
use App\Retention\Actions\AnnouncePurges;
use App\Retention\Actions\PurgeFile;
use App\Retention\FilesToKeep;
use App\Work\TriesEach;
use Illuminate\Console\Command;
use Unanimus\Retention\RetentionStage;

/** What the days bring to ended files: archived, announced, purged. Begun again it goes on. */
final class SweepRetention extends Command
{
    use TriesEach;

    protected $signature = 'retention:sweep';

    protected $description = 'Archives ended files, announces purges, and purges what is due';

    public function handle(AnnouncePurges $announce, PurgeFile $purge, FilesToKeep $files): int
    {
        foreach (Sight::brokerages() as $brokerage) {
            foreach (Sight::within($brokerage, static fn () => Office::query()->orderBy('id')->pluck('id')->all()) as $id) {
                $this->try($brokerage, static fn () => $announce(Office::query()->findOrFail($id)));
                $due = Sight::within($brokerage, static fn () => self::due($files, Office::query()->findOrFail($id)));
                foreach ($due as $file) {
                    $this->try($brokerage, static fn () => $purge->rows($file));
                }
            }
            $left = Sight::within($brokerage, static fn () => PurgeCertificate::query()->whereNull('finished_at')->orderBy('id')->get());
            foreach ($left as $certificate) {
                // Its bytes one at a time, each in a transaction of its own.
                do {
                    $more = $this->try($brokerage, static fn () => $purge->nextBytes($certificate));
                } while ($more === true);
            }
        }

        return $this->ended();
    }

    /** @return list<int> */
    private static function due(FilesToKeep $files, Office $office): array
    {
        $due = [];
        foreach ($files->ending($office) as [$file, $clock]) {
            $clock->clock->stage === RetentionStage::Due && $due[] = $file->id;
        }

        return $due;
    }
}
