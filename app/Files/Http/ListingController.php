<?php

declare(strict_types=1);

namespace App\Files\Http;

use App\Files\Actions\BringListing;
use App\Files\Models\DealFile;
use App\Papers\Actions\BringIn;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Unanimus\Exchange\ExchangeUnavailable;
use Unanimus\Exchange\ListingExchange;
use Unanimus\Files\PaperState;
use Unanimus\Files\StepRefused;
use Unanimus\Intake\BringRefused;
use Unanimus\Pages\Scratch;

/** A file and its listing: reading it again, its public papers. */
final class ListingController
{
    public function show(DealFile $file, BringListing $bring, ListingExchange $exchange): View|RedirectResponse
    {
        Gate::authorize('work-on', $file);
        try {
            $listing = $bring->again($file);
            $papers = $exchange->papers($listing);
        } catch (ExchangeUnavailable|StepRefused $refused) {
            return redirect("/files/{$file->key}/opening")->with('refused', $refused->getMessage());
        }
        $titles = $file->papers->where('state', '<>', PaperState::Void)->pluck('title')->all();

        return view('files.listing', ['file' => $file, 'listing' => $listing, 'differences' => $listing->differences($file->knownFacts->pluck('value', 'name')->all()), 'known' => $file->knownFacts->keyBy('name'), 'papers' => array_filter($papers, static fn (string $title) => ! in_array($title, $titles, true)), 'exchange' => $exchange->name()]);
    }

    public function take(Request $request, DealFile $file, BringListing $bring): RedirectResponse
    {
        Gate::authorize('work-on', $file);
        $given = $request->validate(['facts' => 'required|array|max:60', 'facts.*' => 'string|max:60'], ['facts.required' => 'Tick what is to be taken over.']);
        try {
            $bring->take($file, array_values($given['facts']));
        } catch (ExchangeUnavailable $unavailable) {
            throw new StepRefused($unavailable->getMessage(), previous: $unavailable);
        }

        return redirect("/files/{$file->key}/listing")->with('told', 'Taken over, with where it came from.');
    }

    public function takePapers(Request $request, DealFile $file, BringListing $bring, ListingExchange $exchange, BringIn $bringIn): RedirectResponse
    {
        Gate::authorize('work-on', $file);
        $given = $request->validate(['papers' => 'required|array|max:30', 'papers.*' => 'string|max:220'], ['papers.required' => 'Tick the papers to be taken along.']);
        $told = [];
        $taken = 0;
        try {
            $offered = $exchange->papers($bring->again($file));
            foreach (array_intersect(array_keys($offered), $given['papers']) as $address) {
                $scratch = new Scratch;
                try {
                    $placeholder = $file->papers()->where('title', $offered[$address])->where('state', PaperState::Awaited)->first();
                    $bringIn($file, $scratch->put('paper.pdf', $exchange->paper($address)), $offered[$address], $placeholder, $placeholder->stage ?? 'offer');
                    $taken++;
                } catch (BringRefused $refused) {
                    $told[] = "{$offered[$address]}: {$refused->getMessage()}";
                }
            }
        } catch (ExchangeUnavailable $unavailable) {
            $told[] = $unavailable->getMessage();
        }

        return redirect("/files/{$file->key}")->with($told === [] ? 'told' : 'refused', trim(($taken === 1 ? 'One paper is' : "{$taken} papers are").' in the file. '.implode(' ', $told)));
    }
}
