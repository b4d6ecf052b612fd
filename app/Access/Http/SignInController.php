<?php

declare(strict_types=1);

namespace App\Access\Http;

use App\Access\User;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Str;
use Illuminate\Support\Timebox;
use Illuminate\Validation\ValidationException;

/** Signing in and out. */
final class SignInController
{
    public function show(): View
    {
        return view('access.sign-in');
    }

    public function store(Request $request): RedirectResponse
    {
        $given = $request->validate(['email' => 'required|string|max:200', 'password' => 'required|string|max:200']);
        // A wrong address takes as long as a wrong password.
        $signedIn = (new Timebox)->call(static fn () => Auth::attempt($given, $request->boolean('remember')), 250_000);
        if (! $signedIn) {
            throw ValidationException::withMessages(['email' => 'Address and password do not belong together. Nothing was changed; try again.']);
        }
        $request->session()->regenerate();

        return redirect()->intended('/');
    }

    public function destroy(Request $request): RedirectResponse
    {
        Auth::logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return redirect('/sign-in');
    }

    /** Ends every session of this person, on every device. */
    public function everywhere(Request $request): RedirectResponse
    {
        $user = $request->user();
        if ($user instanceof User) {
            DB::table('sessions')->where('user_id', $user->id)->delete();
            DB::table('users')->where('id', $user->id)->update(['remember_token' => Str::random(60)]);
        }

        return $this->destroy($request)->with('told', 'Signed out on every device.');
    }

    public function password(Request $request): RedirectResponse
    {
        $user = $request->user();
        $given = $request->validate(['current' => 'required|string|max:200', 'password' => 'required|string|min:10|max:72|confirmed']);
        if (! $user instanceof User || ! Hash::check($given['current'], $user->password)) {
            throw ValidationException::withMessages(['current' => 'This is not your present password.']);
        }
        DB::table('users')->where('id', $user->id)->update(['password' => Hash::make($given['password']), 'remember_token' => Str::random(60)]);
        DB::table('sessions')->where('user_id', $user->id)->where('id', '<>', $request->session()->getId())->delete();

        return back()->with('told', 'Password changed; other devices are signed out.');
    }
}
