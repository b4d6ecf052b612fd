<?php

declare(strict_types=1);

namespace App\Signing\Http;

use App\Models\Round;
use App\Models\Signer;
use App\Models\User;
use App\Signing\Actions\ChangeRound;
use App\Signing\Actions\SeatSomeone;
use App\Signing\Actions\TakeDeskStep;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;
use Unanimus\Parties\PartyRole;

/** Who is asked in a round that has not been sent: added, put in the file, taken out. */
final class RoundPeopleController
{
    /** Somebody who was not thought of before gets a seat in the file; where they sign is pointed at next. */
    public function seatSomeone(Request $request, Round $round, SeatSomeone $seat): RedirectResponse
    {
        Gate::authorize('work-on', $round->file);
        $given = $request->validate(
            [
                'role' => ['required', Rule::enum(PartyRole::class)],
                'name' => 'required|string|max:120',
                'email' => 'nullable|email|max:200',
            ],
            ['name.required' => 'Write their name.', 'email.email' => 'This is not an email address.'],
        );
        $seated = $seat($round, PartyRole::from($given['role']), $given['name'], (string) ($given['email'] ?? ''));
        $where = $seated instanceof Signer ? 'is asked in this round' : "is in the file as {$seated->seat()->label()}";

        return to_route('rounds.show', $round)->with('told', "{$seated->name} {$where}. Choose them, then click where they sign.");
    }

    public function intoFile(Round $round, Signer $signer, SeatSomeone $seat): RedirectResponse
    {
        Gate::authorize('work-on', $round->file);
        abort_unless($signer->round_id === $round->id, 404);
        $party = $seat->intoFile($round, $signer);

        return to_route('rounds.show', $round)->with('told', "{$party->name} is in the file as {$party->seat()->label()}.");
    }

    public function dropSigner(Request $request, Round $round, Signer $signer, ChangeRound $change, TakeDeskStep $steps): RedirectResponse
    {
        Gate::authorize('work-on', $round->file);
        abort_unless($signer->round_id === $round->id, 404);
        $steps->take($round, TakeDeskStep::word(), User::signedIn($request), static fn () => $change->removeSigner($round, $signer));

        return to_route('rounds.show', $round)->with('told', "Removed {$signer->name} from this round.");
    }
}
