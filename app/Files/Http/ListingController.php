<?php

declare(strict_types=1);

namespace App\Files\Http;

use App\Files\Actions\BringListing;
use App\Files\Actions\CheckFacts;
use App\Files\Jobs\PrintListing;
use App\Models\DealFile;
use App\Models\User;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Unanimus\Exchange\ExchangeRefusal;
use Unanimus\Exchange\ExchangeUnavailable;
use Unanimus\Exchange\ListingExchange;
use Unanimus\Files\PaperState;
use Unanimus\Steps\StepRefused;

/** A file and its listing: reading it again. */
final class ListingController
{
    public function show(DealFile $file, BringListing $bring, ListingExchange $exchange): View|RedirectResponse
    {
        Gate::authorize('work-on', $file);
        try {
            $listing = $bring->again($file);
            $papers = $exchange->papers($listing);
        } catch (ExchangeUnavailable|StepRefused $refused) {
            return to_route('files.opening', $file)->with('refused', $refused->getMessage());
        }
        $titles = $file->papers->where('state', '<>', PaperState::Void)->pluck('title')->all();

        return view('files.listing', [
            'file' => $file,
            'listing' => $listing,
            'differences' => $listing->differences($file->knownFacts->pluck('value', 'name')->all()),
            'known' => $file->knownFacts->keyBy('name'),
            'papers' => array_filter($papers, static fn (string $title) => ! in_array($title, $titles, true)),
            'exchange' => $exchange->name(),
        ]);
    }

    /** Facts that were checked, against what. */
    public function check(Request $request, DealFile $file, CheckFacts $check): RedirectResponse
    {
        Gate::authorize('work-on', $file);
        $given = $request->validate(
            ['facts' => 'required|array|max:60', 'facts.*' => 'string|max:60', 'against' => 'nullable|string|max:200'],
            ['facts.required' => 'Select what you checked.'],
        );
        $count = $check($file, array_values($given['facts']), (string) ($given['against'] ?? ''), User::signedIn($request));

        return back()->with('told', $count === 1 ? '1 fact marked as checked.' : "{$count} facts marked as checked.");
    }

    /** Files the listing as the exchange has it now. */
    public function file(DealFile $file): RedirectResponse
    {
        Gate::authorize('work-on', $file);
        if ($file->listing_number === null) {
            throw ExchangeRefusal::NoListingNumber->because();
        }
        PrintListing::begin($file->brokerage_id, $file->id);

        return to_route('files.show', $file)->with('told', 'The listing is being filed as it stands now. It will show up on the board.');
    }

    public function take(Request $request, DealFile $file, BringListing $bring): RedirectResponse
    {
        Gate::authorize('work-on', $file);
        $given = $request->validate(
            ['facts' => 'required|array|max:60', 'facts.*' => 'string|max:60'],
            ['facts.required' => 'Select what to use.'],
        );
        try {
            $bring->take($file, array_values($given['facts']));
        } catch (ExchangeUnavailable $unavailable) {
            throw StepRefused::unreadable($unavailable);
        }

        return to_route('files.listing', $file)->with('told', 'Values updated from the listing.');
    }
}
