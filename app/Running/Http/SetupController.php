<?php

declare(strict_types=1);

namespace App\Running\Http;

use App\Models\Brokerage;
use App\Models\Office;
use App\Models\User;
use App\Running\Actions\KeepSetup;
use App\Running\SetupGuide;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Unanimus\Running\SetupState;
use Unanimus\Running\SetupStep;

/** A new brokerage is set up, step by step, in as many sittings as it takes. */
final class SetupController
{
    public function index(Request $request): View
    {
        Gate::authorize('set-up');
        $brokerage = Brokerage::query()->findOrFail(User::signedIn($request)->brokerage_id);

        return view('running.setup', [
            'setup' => SetupGuide::standing($brokerage),
            'brokerage' => $brokerage,
            'offices' => Office::query()->orderBy('name')->get(),
        ]);
    }

    public function say(Request $request, SetupStep $step, KeepSetup $keep): RedirectResponse
    {
        Gate::authorize('set-up');
        $given = $request->validate(['state' => 'required|in:open,later,checked']);
        $keep->say(User::signedIn($request), $step, SetupState::from($given['state']));

        return redirect()->to("/office/setup#{$step->value}");
    }

    public function sender(Request $request, KeepSetup $keep): RedirectResponse
    {
        Gate::authorize('set-up');
        $given = $request->validate(
            ['name' => 'required|string|max:120', 'sender_name' => 'nullable|string|max:120', 'sender_address' => 'nullable|email|max:200'],
            ['sender_address.email' => 'This is not an email address.'],
        );
        $keep->send(User::signedIn($request), trim($given['name']), $given['sender_name'] ?? null, $given['sender_address'] ?? null);

        return redirect()->to('/office/setup')->with('told', 'Saved. Email from now on comes from there.');
    }

    public function finish(Request $request, KeepSetup $keep): RedirectResponse
    {
        Gate::authorize('set-up');
        $keep->finish(User::signedIn($request));

        return to_route('today')->with('told', 'Setup is finished. Everything in it is found under Office.');
    }
}
