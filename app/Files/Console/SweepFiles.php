<?php

declare(strict_types=1);

namespace App\Files\Console;

use App\Files\Actions\MoveStatus;
use App\Models\DealFile;
use App\Models\Sight;
use Illuminate\Console\Command;
use Unanimus\Dates\LocalDate;
use Unanimus\Files\DealStatus;

/** Ends listings whose last day has passed in their office's own zone. */
final class SweepFiles extends Command
{
    protected $signature = 'files:sweep';

    protected $description = 'Lets listings expire that are past their last day';

    public function handle(MoveStatus $move): int
    {
        foreach (Sight::brokerages() as $brokerage) {
            Sight::within($brokerage, static function () use ($move): void {
                $due = DealFile::query()
                    ->with(['office', 'knownFacts'])
                    ->where('status', 'active')
                    ->whereHas(
                        'knownFacts',
                        static fn ($facts) => $facts
                            ->where('name', 'listing_expires')
                            ->where('value', '<', now()->addDay()->toDateString()),
                    )
                    ->get();
                foreach ($due as $file) {
                    $last = LocalDate::of((string) $file->knownFacts->firstWhere('name', 'listing_expires')?->value);
                    if ($last->isBefore($file->office->today())) {
                        $move($file, DealStatus::Expired, null, "The listing ran to {$last->long()}.", $last);
                    }
                }
            });
        }

        return self::SUCCESS;
    }
}
