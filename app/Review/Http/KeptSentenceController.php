<?php

declare(strict_types=1);

namespace App\Review\Http;

use App\Models\KeptSentence;
use App\Models\User;
use App\Review\Actions\KeepSentences;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

/** Sentences that reviewers keep. */
final class KeptSentenceController
{
    public function store(Request $request, KeepSentences $keep): RedirectResponse
    {
        Gate::authorize('review-desk');
        $given = $request->validate(
            ['text' => 'required|string|max:500', 'everyone' => 'nullable|boolean'],
            ['text.required' => 'Write the sentence first.'],
        );
        $keep->add(User::signedIn($request), $given['text'], (bool) ($given['everyone'] ?? false));

        return back()->with('told', 'The sentence is kept.');
    }

    public function destroy(Request $request, KeptSentence $sentence, KeepSentences $keep): RedirectResponse
    {
        Gate::authorize('review-desk');
        $keep->remove(User::signedIn($request), $sentence);

        return back()->with('told', 'The sentence is kept no more.');
    }
}
