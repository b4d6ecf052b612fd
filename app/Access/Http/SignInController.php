<?php

declare(strict_types=1);

namespace App\Access\Http;

use App\Access\OwnAddress;
use App\Access\RememberedDevices;
use App\Access\SecondFactor;
use App\Access\SignInFailed;
use App\Models\IdentityProvider;
use App\Models\Role;
use App\Models\Sight;
use App\Models\User;
use App\Models\WorkingCopy;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Timebox;
use Illuminate\Validation\ValidationException;
use Unanimus\Access\AccessRefusal;

/** Signing in and out. */
final class SignInController
{
    public function show(): View
    {
        return view('access.sign-in', ['companies' => IdentityProvider::areUsed(), 'own' => OwnAddress::current()]);
    }

    public function store(Request $request): RedirectResponse|JsonResponse
    {
        $given = $request->validate(['email' => 'required|string|max:200', 'password' => 'required|string|max:200']);
        // A wrong address takes as long as a wrong password.
        $known = (new Timebox())->call(static fn () => Auth::validate($given) ? Auth::getLastAttempted() : null, 250_000);
        if (! ($known instanceof User)) {
            $meant = Auth::getLastAttempted();
            $meant instanceof User && ! $meant->guest && Event::dispatch(new SignInFailed($meant, 'wrong password'));
            throw ValidationException::withMessages(['email' => 'That email address and password do not match. Try again.']);
        }
        $this->mayUsePassword($known);
        $request->session()->regenerate();
        if (SecondFactor::isOn($known)) {
            $request
                ->session()
                ->put('half-signed-in', ['id' => $known->id, 'remember' => $request->boolean('remember'), 'at' => now()->getTimestamp()]);

            return $request->expectsJson() ? new JsonResponse(['code' => true]) : to_route('sign-in.code');
        }
        Auth::login($known, $request->boolean('remember'));

        return $this->in($request, $known);
    }

    public function code(Request $request): View|RedirectResponse
    {
        return $request->session()->has('half-signed-in') ? view('access.code') : to_route('login');
    }

    public function second(Request $request): RedirectResponse|JsonResponse
    {
        $given = $request->validate(['code' => 'required|string|max:40']);
        $half = (array) $request->session()->get('half-signed-in', []);
        $user =
            isset($half['id']) && now()->getTimestamp() - (int) ($half['at'] ?? 0) < 600
                ? Auth::getProvider()->retrieveById($half['id'])
                : null;
        if (! ($user instanceof User)) {
            $request->session()->forget('half-signed-in');

            return to_route('login')->with('refused', 'That took longer than 10 minutes. Sign in again.');
        }
        if (! SecondFactor::passes($user, $given['code'])) {
            Event::dispatch(new SignInFailed($user, 'wrong code'));
            throw ValidationException::withMessages([
                'code' => 'That code is wrong or was already used. Wait for the next one, or use a recovery code.',
            ]);
        }
        $request->session()->forget('half-signed-in');
        $request->session()->regenerate();
        Auth::login($user, (bool) ($half['remember'] ?? false));

        return $this->in($request, $user);
    }

    /** Whether the session still holds, and whose it is: asked by pages that were left open. */
    public function standing(Request $request): JsonResponse
    {
        $user = $request->user();

        return $user instanceof User ? self::me($request, $user) : new JsonResponse(['who' => null], 401);
    }

    /** Where the brokerage signs in with its company accounts, a password is for its administrators alone: so that nobody is locked out. */
    private function mayUsePassword(User $user): void
    {
        if (IdentityProvider::for($user->email)?->is_only !== true) {
            return;
        }
        $isAdministrator = Sight::within(
            $user->brokerage_id,
            static fn () => $user->officeRoles()->where('role', Role::Administrator)->exists(),
        );
        $isAdministrator || throw ValidationException::withMessages(['email' => AccessRefusal::CompanyOnly->words()]);
    }

    private function in(Request $request, User $user): RedirectResponse|JsonResponse
    {
        return $request->expectsJson() ? self::me($request, $user) : redirect()->intended('/');
    }

    /** Who is signed in, with the token that forms of a page that was left open need from now on. */
    private static function me(Request $request, User $user): JsonResponse
    {
        return new JsonResponse(['who' => $user->key, 'token' => $request->session()->token()]);
    }

    public function destroy(Request $request): RedirectResponse
    {
        $user = $request->user();
        $user instanceof User && RememberedDevices::forgetThis($user);
        $own = $user instanceof User && $user->guest ? WorkingCopy::query()->where('guest_id', $user->id)->first()?->link() : null;
        Auth::logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        // A guest is left at their own page; they have nothing to sign in with.
        return $own === null ? to_route('login') : redirect()->to($own);
    }
}
