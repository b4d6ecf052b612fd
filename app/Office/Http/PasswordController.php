<?php

declare(strict_types=1);

namespace App\Office\Http;

use App\Access\PasswordReset;
use App\Office\Actions\ResetPassword;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Timebox;

/** For somebody who forgot their password. */
final class PasswordController
{
    public function forgot(): View
    {
        return view('access.forgot');
    }

    public function ask(Request $request, ResetPassword $reset): RedirectResponse
    {
        $email = trim($request->validate(['email' => 'required|string|max:200'])['email']);
        // Nor does how long it takes tell whether anybody has that address.
        (new Timebox())->call(static fn () => $reset->ask($email), 250_000);

        return to_route('login')->with('told', 'If someone signs in here with that address, an email with a link is on its way to it.');
    }

    public function show(string $key, int $until, string $proof): View
    {
        return view('access.new-password', [
            'user' => PasswordReset::find($key, $until, $proof),
            'action' => "/password/{$key}/{$until}/{$proof}",
        ]);
    }

    public function store(Request $request, string $key, int $until, string $proof, ResetPassword $reset): RedirectResponse
    {
        $user = PasswordReset::find($key, $until, $proof) ?? abort(404);
        $given = $request->validate(
            ['password' => 'required|string|min:10|max:72|confirmed'],
            ['password.min' => 'Use at least 10 characters.', 'password.confirmed' => 'The two passwords do not match.'],
        );
        $reset->choose($user, $given['password']);

        return to_route('login')->with('told', 'Your new password is saved, and you are signed out everywhere. Sign in with it.');
    }
}
