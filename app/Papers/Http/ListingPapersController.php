<?php

declare(strict_types=1);

namespace App\Papers\Http;

use App\Models\DealFile;
use App\Papers\Actions\TakeListingPapers;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

/** The documents that a listing offers. */
final class ListingPapersController
{
    public function store(Request $request, DealFile $file, TakeListingPapers $take): RedirectResponse
    {
        Gate::authorize('work-on', $file);
        $given = $request->validate(
            ['papers' => 'required|array|max:30', 'papers.*' => 'string|max:220'],
            ['papers.required' => 'Select the documents to add.'],
        );
        [$taken, $why] = $take($file, array_values($given['papers']));

        return to_route('files.show', $file)->with(
            $why === [] ? 'told' : 'refused',
            trim(($taken === 1 ? 'Added 1 document.' : "Added {$taken} documents.").' '.implode(' ', $why)),
        );
    }
}
