<?php

declare(strict_types=1);

namespace App\Files\Jobs;

use App\Files\Actions\FileListing;
use App\Models\DealFile;
use App\Models\Sight;
use App\Work\ServiceDown;
use App\Work\Work;
use Unanimus\Exchange\ExchangeUnavailable;
use Unanimus\Exchange\ListingExchange;

/** Asks the exchange for a file's listing, while nothing in the database is held, and files it as it stands. */
final class PrintListing extends Work
{
    public const KIND = 'listings';

    protected const SERVICE = 'the listing exchange';

    public int $timeout = 60;

    protected function work(): void
    {
        $number = Sight::within($this->brokerageId, function (): ?string {
            $file = DealFile::query()->find($this->thing);

            return $file?->status->isOpen() === true ? $file->listing_number : null;
        });
        if ($number === null) {
            return;
        }
        $exchange = app(ListingExchange::class);
        try {
            $listing = $exchange->listing($number);
            $photographs = $listing === null ? [] : $exchange->photographs($listing);
        } catch (ExchangeUnavailable $unavailable) {
            throw new ServiceDown(self::SERVICE, previous: $unavailable);
        }
        $listing === null ||
            Sight::within($this->brokerageId, function () use ($listing, $photographs, $exchange): void {
                $file = DealFile::query()->with('office')->findOrFail($this->thing);
                app(FileListing::class)($file, $listing, $photographs, $exchange->name());
            });
    }
}
