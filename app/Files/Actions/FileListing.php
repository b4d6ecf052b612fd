<?php

declare(strict_types=1);

namespace App\Files\Actions;

use App\History\History;
use App\Models\DealFile;
use App\Models\Paper;
use App\Storage\Bytes;
use App\Terms\SearchRow;
use Illuminate\Support\Facades\DB;
use Unanimus\Exchange\Listing;
use Unanimus\Exchange\ListingSheet;
use Unanimus\Files\MadeBy;
use Unanimus\Files\PaperState;
use Unanimus\Files\SeenBy;
use Unanimus\Pages\Press;
use Unanimus\Requirements\Stage;

/** Files a listing as it stands at the exchange now: a PDF of all it says. The same listing on the same day is filed once. */
final class FileListing
{
    public function __construct(private readonly Press $press, private readonly Bytes $bytes)
    {
    }

    /** @param  list<string>  $photographs  what they show */
    public function __invoke(DealFile $file, Listing $listing, array $photographs, string $exchange): ?Paper
    {
        DB::table('deal_files')->where('id', $file->id)->lockForUpdate()->value('id');
        $day = $file->office->today();
        $title = "Listing as of {$day->long()}";
        $says = hash('sha256', (string) json_encode([$listing->number, $listing->fields, $listing->remarks, $photographs]));
        $paper = $file->papers()->where('title', $title)->where('state', '<>', PaperState::Void->value)->first();
        if ($paper !== null && $this->isSame($file, $says)) {
            return null;
        }
        $hour = now()->setTimezone($file->office->timeZone());
        $pages = ListingSheet::pages($listing, $photographs, "{$exchange}, read {$day->long()} at {$hour->format('g:i a T')}");
        $stage = Stage::Offer->value;
        $paper ??= $file
            ->papers()
            ->create([
                'brokerage_id' => $file->brokerage_id,
                'title' => $title,
                'stage' => $stage,
                'state' => PaperState::Ready,
                'position' => ((int) array_search($stage, Stage::keys(), true) + 1) * 1000 + 940,
                'reason' => "from {$exchange}",
            ]);
        $sha256 = $this->bytes->keep($file->brokerage_id, $this->press->print($pages));
        $paper->addVersion($sha256, count($pages), MadeBy::Exchange, $hour->format('g:i a T'));
        History::add(
            $file->brokerage_id,
            $file->id,
            'Listing filed',
            ['paper' => $title, 'number' => $listing->number, 'from' => $exchange, 'says' => $says],
            SeenBy::everyone(),
        );
        SearchRow::keep($file->load(['knownFacts', 'parties', 'papers']));

        return $paper;
    }

    private function isSame(DealFile $file, string $says): bool
    {
        return DB::table('history')
            ->where('deal_file_id', $file->id)
            ->where('what', 'Listing filed')
            ->whereRaw("data->>'says' = ?", [$says])
            ->exists();
    }

    /** Whether one was filed since the contract was made. */
    public static function isFiled(DealFile $file): bool
    {
        return $file->papers()->where('title', 'like', 'Listing as of %')->where('state', '<>', PaperState::Void->value)->exists();
    }
}
