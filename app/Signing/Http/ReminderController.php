<?php

declare(strict_types=1);

namespace App\Signing\Http;

use App\Models\DealFile;
use App\Signing\Actions\RemindOnPapers;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

/** Reminds everyone who owes something on the selected papers; of what nobody is asked, it says so. */
final class ReminderController
{
    public function store(Request $request, DealFile $file, RemindOnPapers $remind): RedirectResponse
    {
        Gate::authorize('work-on', $file);
        $given = $request->validate(
            ['papers' => 'required|array|max:100', 'papers.*' => 'string|max:26'],
            ['papers.required' => 'Select at least one paper first.'],
        );
        [$names, $before, $quiet] = $remind($file, array_values($given['papers']));
        $why = array_map(static fn (string $title) => "No one is asked to do anything on “{$title}” right now.", $quiet);
        $before === [] || array_unshift($why, 'Already reminded a few minutes ago: '.implode(', ', $before).'.');

        return to_route('files.show', $file)->with(array_filter([
            'told' => $names === [] ? '' : 'Reminder sent to '.implode(', ', $names).'.',
            'refused' => implode(' ', $why),
        ]));
    }
}
