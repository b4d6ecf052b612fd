<?php

declare(strict_types=1);

namespace App\Signing\Http;

use App\Models\Round;
use App\Models\Signer;
use App\Models\User;
use App\Signing\Actions\AnswerQuestion;
use App\Signing\Actions\KeepCode;
use App\Signing\Actions\MendRound;
use App\Signing\Actions\ReplaceSigner;
use App\Signing\Actions\StartAgain;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\ValidationException;
use Unanimus\Dates\DateUnreadable;
use Unanimus\Dates\LocalDate;

/** A round set right while it is out, or begun again after it ended. */
final class MendingController
{
    public function readdress(Request $request, Round $round, Signer $signer, MendRound $mend): RedirectResponse
    {
        Gate::authorize('work-on', $round->file);
        abort_unless($signer->round_id === $round->id, 404);
        $given = $request->validate(['email' => 'required|email|max:200'], ['email.email' => 'This is not an email address.']);
        $mend->readdress($round, $signer, $given['email'], User::signedIn($request));

        return to_route('rounds.show', $round)->with('told', 'Address corrected. The old link no longer works.');
    }

    public function replace(Request $request, Round $round, Signer $signer, ReplaceSigner $replace): RedirectResponse
    {
        Gate::authorize('work-on', $round->file);
        abort_unless($signer->round_id === $round->id, 404);
        $given = $request->validate(
            ['name' => 'required|string|max:120', 'email' => 'required|email|max:200', 'capacity' => 'nullable|string|max:120'],
            ['email.email' => 'This is not an email address.'],
        );
        $before = $signer->name;
        $replace($round, $signer, $given['name'], $given['email'], (string) ($given['capacity'] ?? ''));

        return to_route('rounds.show', $round)->with('told', "{$signer->refresh()->name} signs in place of {$before} now.");
    }

    public function answer(Request $request, Round $round, AnswerQuestion $answer): RedirectResponse
    {
        Gate::authorize('work-on', $round->file);
        $given = $request->validate(
            ['asked' => 'required|string|max:120', 'answer' => 'required|string|max:2000'],
            ['answer.required' => 'Write your answer first.'],
        );
        $answer($round, $given['asked'], trim($given['answer']));

        return to_route('rounds.show', $round)->with('told', 'Answered, by email and on their page.');
    }

    public function code(Request $request, Round $round, Signer $signer, KeepCode $keep): RedirectResponse
    {
        Gate::authorize('work-on', $round->file);
        abort_unless($signer->round_id === $round->id, 404);
        $given = $request->validate(['code' => 'nullable|string|max:40']);
        $keep->set($round, $signer, (string) ($given['code'] ?? ''));
        $told = $signer->refresh()->code === null
            ? "{$signer->name} is not asked for a code."
            : "{$signer->name} is asked for this code. Tell them by phone, not by email.";

        return to_route('rounds.show', $round)->with('told', $told);
    }

    public function extend(Request $request, Round $round, MendRound $mend): RedirectResponse
    {
        Gate::authorize('work-on', $round->file);
        $given = $request->validate(['last_day' => 'required|string|max:40']);
        try {
            $mend->extend($round, LocalDate::parse($given['last_day'], $round->file->office->today()));
        } catch (DateUnreadable $unreadable) {
            throw ValidationException::withMessages(['last_day' => $unreadable->getMessage()]);
        }

        return to_route('rounds.show', $round)->with('told', 'Last day moved.');
    }

    public function again(Request $request, Round $round, StartAgain $again): RedirectResponse
    {
        Gate::authorize('work-on', $round->file);
        $new = $again($round, User::signedIn($request));

        return to_route('rounds.show', $new)->with('told', 'This is a new draft with the same papers, places and people.');
    }

    /** A paper that was forgotten goes to the same people in a round of its own. */
    public function forgotten(Request $request, Round $round, StartAgain $again): RedirectResponse
    {
        Gate::authorize('work-on', $round->file);
        $given = $request->validate(['paper' => 'required|string|max:26']);
        $paper = $round->file->papers()->where('key', $given['paper'])->firstOrFail();
        $new = $again->forgotten($round, $paper, User::signedIn($request));

        return to_route('rounds.show', $new)->with('told', 'This goes to the same people, on its own. Look at it, then send it.');
    }
}
