<?php

declare(strict_types=1);

namespace App\Files;

use App\Models\DealFile;
use App\Models\Offer;
use App\Models\Paper;
use Unanimus\Files\MadeBy;
use Unanimus\Files\OfferState;
use Unanimus\Files\PaperState;
use Unanimus\Forms\ContractForms;
use Unanimus\Forms\FormUnknown;
use Unanimus\Forms\Library;
use Unanimus\Forms\ReadTerms;
use Unanimus\Terms\Facts;
use Unanimus\Terms\OfferView;
use Unanimus\Terms\Term;

/** Papers that came in for a listing and read as an offer which nobody has recorded: who offers, and on what terms. */
final readonly class PaperOffers
{
    /** @param  array<string, string>  $terms  as they are typed, by the name of the term */
    private function __construct(public Paper $paper, public string $buyers, public string $price, public array $terms)
    {
    }

    /**
     * Those that wait; none once a contract is made.
     *
     * @param DealFile $file with its papers and their latest versions
     * @return list<self>
     */
    public static function waiting(DealFile $file): array
    {
        if (! $file->represents->isListing() || ! $file->status->isOpen()) {
            return [];
        }
        $came = $file->papers->filter(
            static fn (Paper $paper) => $paper->state !== PaperState::Void &&
                $paper->latest?->made_by === MadeBy::Uploaded &&
                (ContractForms::has($paper->latest->read()->form?->form) ||
                    ($paper->latest->read()->form === null && ContractForms::isOffer($paper->title))),
        );
        $offers = $came->isEmpty() ? null : Offer::query()->where('deal_file_id', $file->id)->get();
        if ($offers === null || $offers->contains(static fn (Offer $offer) => $offer->state === OfferState::Chosen)) {
            return [];
        }
        $told = $came->whereNotIn('latest_version_id', $offers->pluck('version_id')->filter())->map(self::read(...));

        return array_values(array_filter($told->all()));
    }

    /** What a term with choices is set to where a paper was read; empty when it says none of them. */
    public static function choice(Term $term, ?self $read): string
    {
        $said = mb_strtolower($read->terms[$term->value] ?? '');
        foreach ($said === '' ? [] : $term->choices() ?? [] as $value => $label) {
            if (in_array($said, [mb_strtolower((string) $value), mb_strtolower($label)], true)) {
                return (string) $value;
            }
        }

        return '';
    }

    private static function read(Paper $paper): ?self
    {
        $read = $paper->latest?->read()->form;
        try {
            $form = $read === null ? null : app(Library::class)->form($read->form, $read->revision);
        } catch (FormUnknown) {
            return null;
        }
        $buyers = $terms = [];
        $says = $read === null || $form === null
            ? ReadTerms::ofSaid($paper->latest?->said() ?? [], Facts::from([]), [])
            : ReadTerms::of($read, $form, Facts::from([]), []);
        foreach ($says as $one) {
            $one->isPerson && preg_match('/^(buyer|tenant)\./', $one->name) === 1 && ($buyers[] = $one->typed);
            $one->isPerson || ($terms[$one->name] = $one->typed);
        }
        $names = array_map(static fn ($term) => $term->value, OfferView::TERMS);

        return $buyers === [] ? null : new self(
            $paper,
            implode(', ', $buyers),
            $terms['price'] ?? ($terms['rent'] ?? ''),
            array_intersect_key($terms, array_flip($names)),
        );
    }
}
