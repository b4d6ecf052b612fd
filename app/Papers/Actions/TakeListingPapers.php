<?php

declare(strict_types=1);

namespace App\Papers\Actions;

use App\Files\Actions\BringListing;
use App\Models\DealFile;
use Unanimus\Exchange\ExchangeUnavailable;
use Unanimus\Exchange\ListingExchange;
use Unanimus\Files\PaperState;
use Unanimus\Intake\BringRefused;
use Unanimus\Pages\Scratch;

/** Public papers of a listing become papers of the file, at the places that wait for them. */
final class TakeListingPapers
{
    public function __construct(
        private readonly BringListing $bringListing,
        private readonly ListingExchange $exchange,
        private readonly BringIn $bringIn,
    ) {
    }

    /**
     * @param list<string> $addresses where the papers are, as the exchange names them
     * @return array{int, list<string>} how many came in; why the others did not
     */
    public function __invoke(DealFile $file, array $addresses): array
    {
        $why = [];
        $taken = 0;
        try {
            $offered = $this->exchange->papers($this->bringListing->again($file));
            foreach (array_intersect(array_keys($offered), $addresses) as $address) {
                $scratch = new Scratch();
                try {
                    $placeholder = $file->papers()->where('title', $offered[$address])->where('state', PaperState::Expected)->first();
                    ($this->bringIn)(
                        $file,
                        $scratch->put('paper.pdf', $this->exchange->paper($address)),
                        $offered[$address],
                        $placeholder,
                        $placeholder->stage ?? 'offer',
                    );
                    $taken++;
                } catch (BringRefused $refused) {
                    $why[] = "{$offered[$address]}: {$refused->getMessage()}";
                }
            }
        } catch (ExchangeUnavailable $unavailable) {
            $why[] = $unavailable->getMessage();
        }

        return [$taken, $why];
    }
}
