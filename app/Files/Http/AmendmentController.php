<?php

declare(strict_types=1);

namespace App\Files\Http;

use App\Files\Actions\ApplyAmendment;
use App\Models\Paper;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

/** Signed amendments: the file follows them, or stays as it is. */
final class AmendmentController
{
    public function store(Request $request, Paper $paper, ApplyAmendment $apply): RedirectResponse
    {
        Gate::authorize('work-on', $paper->file);
        if ($request->boolean('leave')) {
            $apply->leave($paper->file, $paper);

            return to_route('files.show', $paper->file)->with('told', 'The terms stay as they are.');
        }
        $apply($paper->file, $paper, $request->boolean('possession'));

        return to_route('files.show', $paper->file)->with('told', "The file now follows “{$paper->title}”.");
    }
}
