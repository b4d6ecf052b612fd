<?php

declare(strict_types=1);

namespace App\Files\Http;

use App\Files\Actions\KeepOffers;
use App\Files\NewOffer;
use App\Files\PaperOffers;
use App\Models\DealFile;
use App\Models\Offer;
use App\Models\User;
use App\Terms\FactBook;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Gate;
use Unanimus\Files\OfferState;
use Unanimus\Steps\StepRefused;
use Unanimus\Terms\EntryUnreadable;
use Unanimus\Terms\NetSheet;
use Unanimus\Terms\OfferView;

/** Offers side by side, and the net sheet. */
final class OfferController
{
    public function index(DealFile $file): View
    {
        Gate::authorize('see', $file);
        $this->sellersOnly($file);
        $file->load(['office', 'knownFacts', 'parties', 'papers.latest', 'members']);
        $listing = FactBook::of($file);
        $offers = Offer::query()->where('deal_file_id', $file->id)->orderBy('id')->get();
        $views = $offers->mapWithKeys(
            static fn (Offer $offer) => [$offer->id => OfferView::of($offer->terms(), $listing, $file->office->today())],
        );
        $nets = $offers
            ->filter(static fn (Offer $offer) => $offer->state->isLive() && $views[$offer->id]->net !== null)
            ->map(static fn (Offer $offer) => $views[$offer->id]->net->net->cents);

        return view('files.offers', [
            'file' => $file,
            'offers' => $offers,
            'views' => $views,
            'best' => $nets->max(),
            'warning' => OfferView::warning(
                $offers
                    ->filter(static fn (Offer $offer) => $offer->state->isLive())
                    ->map(static fn (Offer $offer) => $offer->terms())
                    ->values()
                    ->all(),
                $listing,
            ),
            'longest' => max([1, ...$views->map(static fn (OfferView $view) => $view->longest())->values()]),
            'works' => Gate::allows('work-on', $file),
            'came' => PaperOffers::waiting($file),
            'chosen' => $offers->firstWhere('state', OfferState::Chosen),
        ]);
    }

    public function store(Request $request, DealFile $file, KeepOffers $offers): RedirectResponse
    {
        Gate::authorize('work-on', $file);
        $this->sellersOnly($file);
        $counters = $request->filled('counters')
            ? Offer::query()->where('deal_file_id', $file->id)->where('key', $request->input('counters'))->firstOrFail()
            : null;
        $given = $this->given($request, $file);
        $this->readable(static fn () => $offers->record($file, $given, $counters));

        return to_route('files.offers.index', $file)->with(
            'told',
            $counters === null ? 'Offer recorded.' : 'Counteroffer recorded. The original offer is kept.',
        );
    }

    public function update(Request $request, DealFile $file, Offer $offer, KeepOffers $offers): RedirectResponse
    {
        Gate::authorize('work-on', $file);
        $this->sellersOnly($file);
        abort_unless($offer->deal_file_id === $file->id, 404);
        $given = $request->validate([
            'do' => 'required|in:store,decline,choose',
            'on' => 'nullable|string|max:40',
            'terms' => 'nullable|array',
            'terms.*' => 'nullable|string|max:60',
            'note' => 'nullable|string|max:500',
        ]);
        $this->readable(
            static fn () => match ($given['do']) {
                'decline' => $offers->decline($offer, $file),
                'choose' => $offers->choose($offer, $file, (string) ($given['on'] ?? '')),
                default => $offers->change($offer, $file, $given['terms'] ?? [], (string) ($given['note'] ?? '')),
            },
        );

        return redirect($given['do'] === 'choose' ? "/files/{$file->key}" : "/files/{$file->key}/offers")->with(
            'told',
            [
                'decline' => 'Offer declined. It stays in the list.',
                'choose' => 'Offer accepted. It is the contract now. The other offers are kept.',
                'store' => 'Stored.',
            ][$given['do']],
        );
    }

    public function net(DealFile $file): View
    {
        Gate::authorize('see', $file);
        $this->sellersOnly($file);
        $file->load(['office', 'knownFacts', 'parties', 'papers', 'members']);
        $facts = FactBook::of($file);

        return view('files.net', ['file' => $file, 'facts' => $facts, 'sheet' => NetSheet::of($facts)]);
    }

    /** What the sellers keep is the sellers' own affair. */
    private function sellersOnly(DealFile $file): void
    {
        $user = Auth::user();
        abort_if(
            $file->represents->isBoth() && $user instanceof User && $file->sideOf($user)?->isListing() === false,
            404,
        );
    }

    private function given(Request $request, DealFile $file): NewOffer
    {
        $given = $request->validate(
            [
                'buyers' => 'required|string|max:200',
                'agent' => 'nullable|string|max:120',
                'note' => 'nullable|string|max:500',
                'terms' => 'required|array',
                'terms.*' => 'nullable|string|max:60',
                'paper' => 'nullable|string|max:26',
            ],
            ['buyers.required' => 'Enter who made the offer.'],
        );

        $paper = ($given['paper'] ?? '') === '' ? null : $file->papers()->where('key', $given['paper'])->firstOrFail();

        return new NewOffer(
            $given['buyers'],
            (string) ($given['agent'] ?? ''),
            (string) ($given['note'] ?? ''),
            $given['terms'],
            $paper?->latest_version_id,
        );
    }

    private function readable(callable $work): void
    {
        try {
            $work();
        } catch (EntryUnreadable $unreadable) {
            throw StepRefused::unreadable($unreadable, 'The offer is not saved yet. Your entries are still in the fields.');
        }
    }
}
