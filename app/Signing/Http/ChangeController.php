<?php

declare(strict_types=1);

namespace App\Signing\Http;

use App\Models\Paper;
use App\Signing\Actions\ChangeSigned;
use Illuminate\Http\RedirectResponse;
use Illuminate\Support\Facades\Gate;

/** A paper that is signed is changed: begun here, written on like any other, initialled in a round. */
final class ChangeController
{
    public function __invoke(Paper $paper, ChangeSigned $change): RedirectResponse
    {
        Gate::authorize('see', $paper->file);
        Gate::authorize('work-on', $paper->file);
        $begun = $change($paper);

        return to_route('papers.show', $begun)->with(
            'told',
            'Strike words or put some in with “Add text or marks”. Then send it: everybody who signed initials the change.',
        );
    }
}
