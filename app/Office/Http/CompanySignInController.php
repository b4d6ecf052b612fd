<?php

declare(strict_types=1);

namespace App\Office\Http;

use App\Access\OwnAddress;
use App\Access\SecondFactor;
use App\Models\IdentityProvider;
use App\Models\User;
use App\Office\Actions\KeepIdentityProvider;
use App\Office\CompanySignIn;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\ValidationException;
use Unanimus\Steps\StepRefused;

/** Signing in by the company's own account, and where that is said. */
final class CompanySignInController
{
    /** A page leads there, for a form that ends at another address is none that browsers are told to let go out. */
    public function begin(Request $request, CompanySignIn $company): Response
    {
        $email = trim($request->validate(['email' => 'required|string|max:200'], [
            'email.required' => 'Enter your email address first.',
        ])['email']);
        $provider = IdentityProvider::for($email);
        $own = OwnAddress::current();
        $isHere = $own === null || $provider?->brokerage_id === $own->brokerage;
        $provider !== null && $isHere || throw ValidationException::withMessages([
            'email' => 'No company sign-in is set up for that address. Sign in with your password.',
        ]);

        $to = $company->begin($provider, $email, $request->session());

        return response()->view('access.away', ['to' => $to])->header('Refresh', "0;url={$to}");
    }

    public function back(Request $request, CompanySignIn $company): RedirectResponse
    {
        try {
            [$user, $provider] = $company->finish(
                $request->string('state')->value(),
                $request->has('error') ? '' : $request->string('code')->value(),
                $request->session(),
            );
        } catch (StepRefused $refused) {
            return to_route('login')->with('refused', $refused->getMessage());
        }
        $request->session()->regenerate();
        if (SecondFactor::isOn($user) && ! $provider->asks_second_step) {
            $request->session()->put('half-signed-in', ['id' => $user->id, 'remember' => false, 'at' => now()->getTimestamp()]);

            return to_route('sign-in.code');
        }
        Auth::login($user);

        return redirect()->intended('/');
    }

    public function update(Request $request, KeepIdentityProvider $keep): RedirectResponse
    {
        Gate::authorize('set-up');
        $given = $request->validate([
            'issuer' => 'required|url|max:300',
            'client_id' => 'required|string|max:300',
            'secret' => 'nullable|string|max:500',
            'asks_second_step' => 'boolean',
            'is_only' => 'boolean',
        ]);
        $keep(User::signedIn($request), $given['issuer'], $given['client_id'], (string) ($given['secret'] ?? ''), [
            'asks_second_step' => $request->boolean('asks_second_step'),
            'is_only' => $request->boolean('is_only'),
        ]);

        return back()->with('told', 'Saved. Your colleagues can choose “Use your company account” when they sign in.');
    }

    public function destroy(Request $request, KeepIdentityProvider $keep): RedirectResponse
    {
        Gate::authorize('set-up');
        $keep->end(User::signedIn($request));

        return back()->with('told', 'Company sign-in is off. Everyone signs in with a password now; “Forgot your password?” gives one.');
    }
}
