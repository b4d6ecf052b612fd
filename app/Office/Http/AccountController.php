<?php

declare(strict_types=1);

namespace App\Office\Http;

use App\Access\RememberedDevices;
use App\Access\SecondFactor;
use App\Access\SignIns;
use App\Files\CalendarLink;
use App\Files\MailAddress;
use App\Models\User;
use App\Office\Actions\KeepAccount;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Validation\ValidationException;
use Unanimus\Access\AccessRefusal;
use Unanimus\Access\Totp;
use Unanimus\Pages\QrCode;

/** A person's own sign-in: second factor, sessions, calendar address. */
final class AccountController
{
    public function show(Request $request): View
    {
        $user = User::signedIn($request);
        $sessions = DB::table('sessions')
            ->where('user_id', $user->id)
            ->orderByDesc('last_activity')
            ->limit(30)
            ->get(['id', 'ip_address', 'user_agent', 'last_activity']);

        return view('access.own', [
            'user' => $user,
            'sessions' => $sessions,
            'devices' => RememberedDevices::of($user),
            'signIns' => SignIns::of($user),
            'here' => $request->session()->getId(),
            'preparing' => $user->second_factor !== null && $user->second_factor_at === null,
            'calendar' => CalendarLink::ofPerson($user),
            'mail' => MailAddress::ofPerson($user),
            'zone' => $user->officeRoles->first()->office->zone ?? 'UTC',
        ]);
    }

    public function renewMail(Request $request, KeepAccount $keep): RedirectResponse
    {
        $keep->renewMail(User::signedIn($request));

        return to_route('me')->with('told', 'You have a new address for papers. Give it to whoever sends you some.');
    }

    public function prepare(Request $request): RedirectResponse
    {
        $user = $this->sure($request);
        if (SecondFactor::isOn($user)) {
            throw AccessRefusal::SecondFactorOn->because();
        }
        SecondFactor::prepare($user);

        return to_route('me')->with('told', 'Scan the code with your authenticator app, then enter the code it shows.');
    }

    /** The secret as a picture for the authenticator's camera; only while it is being set up. */
    public function picture(Request $request): Response
    {
        $user = User::signedIn($request);
        abort_if($user->second_factor === null || $user->second_factor_at !== null, 404);
        $svg = QrCode::svg(Totp::of($user->second_factor)->address('Unanimus', $user->email));

        return new Response($svg, 200, [
            'Content-Type' => 'image/svg+xml',
            'Cache-Control' => 'no-store, private',
            'Content-Security-Policy' => "default-src 'none'; style-src 'unsafe-inline'",
        ]);
    }

    public function turnOn(Request $request): RedirectResponse
    {
        $given = $request->validate(['code' => 'required|string|max:20']);
        if (SecondFactor::isOn(User::signedIn($request))) {
            throw AccessRefusal::SecondFactorKept->because();
        }
        $codes =
            SecondFactor::turnOn(User::signedIn($request), $given['code']) ??
            throw ValidationException::withMessages([
                'code' => 'That code is wrong. Wait for the next one and try again. Nothing has changed yet.',
            ]);

        return to_route('me')->with('codes', $codes)->with('told', 'Two-step sign-in is on.');
    }

    public function turnOff(Request $request): RedirectResponse
    {
        $user = $this->sure($request);
        $user->owes_two_step && throw AccessRefusal::TwoStepsOwed->because();
        SecondFactor::turnOff($user);

        return to_route('me')->with('told', 'Two-step sign-in is off.');
    }

    public function endSession(Request $request, string $hash, KeepAccount $account): RedirectResponse
    {
        $account->endSession(User::signedIn($request), $hash);

        return to_route('me')->with('told', 'Signed out there.');
    }

    public function everywhere(Request $request, KeepAccount $account): RedirectResponse
    {
        $account->signOutEverywhere(User::signedIn($request));
        Auth::logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return to_route('login')->with('told', 'Signed out everywhere.');
    }

    public function keys(Request $request, KeepAccount $account): RedirectResponse
    {
        $on = $request->boolean('on');
        $account->useSingleKeys(User::signedIn($request), $on);

        return to_route('me')->with('told', $on ? 'Single keys are on.' : 'Single keys are off. Ctrl, Tab, and Enter work as always.');
    }

    public function password(Request $request, KeepAccount $account): RedirectResponse
    {
        $user = User::signedIn($request);
        $given = $request->validate(['current' => 'required|string|max:200', 'password' => 'required|string|min:10|max:72|confirmed']);
        if (! Hash::check($given['current'], $user->password)) {
            throw ValidationException::withMessages(['current' => 'This is not your current password.']);
        }
        $account->changePassword($user, $given['password'], $request->session()->getId());

        return back()->with('told', 'Password changed. Other devices are signed out.');
    }

    public function forget(Request $request, string $device): RedirectResponse
    {
        RememberedDevices::forget(User::signedIn($request), $device);

        return to_route('me')->with('told', 'That device has to sign in again.');
    }

    private function sure(Request $request): User
    {
        $user = User::signedIn($request);
        if (! Hash::check((string) $request->input('password'), $user->password)) {
            throw ValidationException::withMessages(['password' => 'This is not your current password.']);
        }

        return $user;
    }
}
