<?php

declare(strict_types=1);

namespace App\Access\Http;

use App\Access\SecondFactor;
use App\Access\User;
use App\Files\CalendarLink;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Validation\ValidationException;
use Unanimus\Access\Totp;
use Unanimus\Pages\NativeTool;

/** A person's own sign-in: second factor, sessions, calendar address. */
final class OwnController
{
    public function show(Request $request): View
    {
        $user = User::signedIn($request);
        $sessions = DB::table('sessions')->where('user_id', $user->id)->orderByDesc('last_activity')->limit(30)->get(['id', 'ip_address', 'user_agent', 'last_activity']);

        return view('access.own', ['user' => $user, 'sessions' => $sessions, 'here' => $request->session()->getId(), 'preparing' => $user->second_factor !== null && $user->second_factor_at === null, 'calendar' => CalendarLink::ofPerson($user), 'zone' => $user->officeRoles->first()->office->zone ?? 'UTC']);
    }

    public function prepare(Request $request): RedirectResponse
    {
        $user = $this->sure($request);
        SecondFactor::prepare($user);

        return redirect('/me')->with('told', 'Take the picture with your authenticator, then type the code it shows.');
    }

    /** The secret as a picture for the authenticator's camera; only while it is being set up. */
    public function picture(Request $request, NativeTool $tool): Response
    {
        $user = User::signedIn($request);
        abort_if($user->second_factor === null || $user->second_factor_at !== null, 404);
        $svg = $tool->run(['qrencode', '-t', 'SVG', '-l', 'M', '-m', '2', '-o', '-', '-r', '/dev/stdin'], Totp::of($user->second_factor)->address('Unanimus', $user->email));

        return new Response($svg, 200, ['Content-Type' => 'image/svg+xml', 'Cache-Control' => 'no-store, private', 'Content-Security-Policy' => "default-src 'none'; style-src 'unsafe-inline'"]);
    }

    public function turnOn(Request $request): RedirectResponse
    {
        $given = $request->validate(['code' => 'required|string|max:20']);
        $codes = SecondFactor::turnOn(User::signedIn($request), $given['code']) ?? throw ValidationException::withMessages(['code' => 'This code is not right. Wait for the next one and try again; nothing has changed yet.']);

        return redirect('/me')->with('codes', $codes)->with('told', 'The second factor is on.');
    }

    public function turnOff(Request $request): RedirectResponse
    {
        SecondFactor::turnOff($this->sure($request));

        return redirect('/me')->with('told', 'The second factor is off.');
    }

    public function endSession(Request $request, string $hash): RedirectResponse
    {
        $user = User::signedIn($request);
        foreach (DB::table('sessions')->where('user_id', $user->id)->pluck('id') as $id) {
            hash_equals(hash('sha256', (string) $id), $hash) && DB::table('sessions')->where('id', $id)->delete();
        }
        DB::table('users')->where('id', $user->id)->update(['remember_token' => null]);

        return redirect('/me')->with('told', 'That session is over. Devices that were to stay signed in sign in anew.');
    }

    private function sure(Request $request): User
    {
        $user = User::signedIn($request);
        if (! Hash::check((string) $request->input('password'), $user->password)) {
            throw ValidationException::withMessages(['password' => 'This is not your present password.']);
        }

        return $user;
    }
}
