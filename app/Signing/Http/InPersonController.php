<?php

declare(strict_types=1);

namespace App\Signing\Http;

use App\Access\RememberedDevices;
use App\Models\Round;
use App\Models\Signer;
use App\Models\User;
use App\Signing\InPerson;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Cookie;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Facades\Hash;
use Illuminate\Validation\ValidationException;
use Unanimus\Signing\SigningRefusal;

/** Signing on the device of whoever sent the round, handed from one signer to the next. */
final class InPersonController
{
    public function begin(Request $request, Round $round): RedirectResponse
    {
        Gate::authorize('work-on', $round->file);
        $able = InPerson::able($round->load('signers.party'), User::signedIn($request));
        $able->isNotEmpty() || throw SigningRefusal::NobodyHere->because();
        (new InPerson($request->session()))->begin($round, User::signedIn($request));
        // Else whoever holds it would be signed in as its owner again by leaving this session.
        RememberedDevices::forgetThis(User::signedIn($request));
        Cookie::queue(Cookie::forget(Auth::guard('web')->getRecallerName()));

        return to_route('here');
    }

    public function show(Request $request): View|RedirectResponse
    {
        $here = new InPerson($request->session());
        if (! $here->isHandedOver()) {
            return to_route('today');
        }
        $round = $this->round($here);

        return view('signing.here', ['round' => $round, 'able' => InPerson::able($round, User::signedIn($request)), 'by' => $here->by()]);
    }

    public function give(Request $request, Signer $signer): RedirectResponse
    {
        $here = new InPerson($request->session());
        $round = $this->round($here);
        $able = InPerson::able($round, User::signedIn($request));
        abort_unless($signer->round_id === $round->id && $able->contains('id', $signer->id), 404);
        $here->give($signer);

        return to_route('sign', $signer->token());
    }

    /** The device is its owner's again once they entered their password. */
    public function end(Request $request): RedirectResponse
    {
        $here = new InPerson($request->session());
        $round = $this->round($here);
        if (! Hash::check((string) $request->input('password'), User::signedIn($request)->password)) {
            throw ValidationException::withMessages(['password' => 'That is not your password.']);
        }
        $here->end();

        return to_route('rounds.show', $round);
    }

    private function round(InPerson $here): Round
    {
        $round = Round::query()
            ->with(['file.office', 'file.members', 'signers.party'])
            ->where('key', (string) $here->round())
            ->firstOrFail();
        Gate::authorize('work-on', $round->file);

        return $round;
    }
}
