<?php

declare(strict_types=1);

namespace App\Api\Http;

use App\Api\Actions\KeepHooks;
use App\Api\Actions\KeepTokens;
use App\Api\Endpoints;
use App\Models\ApiToken;
use App\Models\Hook;
use App\Models\HookCall;
use App\Models\Role;
use App\Models\User;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Unanimus\Api\ApiScope;

/** Programs that work for a person: their tokens and webhooks, what these were told, and how one calls us. */
final class ConnectionsController
{
    public function index(Request $request): View
    {
        $user = self::user($request);
        $runs = $user->holds(Role::Administrator);

        return view('api.index', [
            'user' => $user,
            'tokens' => ApiToken::query()->with('tokenable')->whereNull('revoked_at')
                ->when(! $runs, static fn ($tokens) => $tokens->where('tokenable_id', $user->id))->orderByDesc('id')->limit(200)->get(),
            'hooks' => Hook::query()->with('owner')
                ->when(! $runs, static fn ($hooks) => $hooks->where('user_id', $user->id))->orderByDesc('id')->limit(200)->get(),
            'calls' => HookCall::query()->with('hook')->whereIn('hook_id', Hook::query()->where('user_id', $user->id)->select('id'))
                ->orderByDesc('id')->limit(50)->get(),
            'endpoints' => Endpoints::all(),
        ]);
    }

    public function makeToken(Request $request, KeepTokens $tokens): RedirectResponse
    {
        Gate::authorize('connect');
        $given = $request->validate([
            'name' => 'nullable|string|max:80',
            'scopes' => 'nullable|array|max:20',
            'scopes.*' => 'string|max:40',
            'days' => 'nullable|in:30,90,365,0',
        ]);
        $days = (int) ($given['days'] ?? 0) ?: null;
        $plain = $tokens->make(self::user($request), (string) ($given['name'] ?? ''),
            ApiScope::among(array_values($given['scopes'] ?? [])), $days);

        return to_route('connections')->with(['told' => 'Copy the token now. It is shown this once.', 'secret' => $plain]);
    }

    public function revokeToken(Request $request, string $token, KeepTokens $tokens): RedirectResponse
    {
        $user = self::user($request);
        $one = ApiToken::query()->where('key', $token)->firstOrFail();
        abort_unless($one->tokenable_id === $user->id || $user->holds(Role::Administrator), 403);
        $tokens->revoke($one);

        return to_route('connections')->with('told', 'Revoked. It opens nothing from now on.');
    }

    public function makeHook(Request $request, KeepHooks $hooks): RedirectResponse
    {
        $given = $request->validate(['url' => 'nullable|string|max:500', 'events' => 'nullable|array|max:40',
            'events.*' => 'string|max:60']);
        [, $secret] = $hooks->add(self::user($request), (string) ($given['url'] ?? ''), array_values($given['events'] ?? []));

        return to_route('connections')->with(['told' => 'Copy the secret now. Calls are signed with it.', 'secret' => $secret]);
    }

    public function turnHook(Request $request, string $hook, KeepHooks $hooks): RedirectResponse
    {
        $user = self::user($request);
        $one = Hook::query()->where('key', $hook)->firstOrFail();
        // An administrator ends what belongs to others, and begins nothing in their name.
        abort_unless($one->user_id === $user->id || (! $request->boolean('on') && $user->holds(Role::Administrator)), 403);
        $hooks->turn($one, $request->boolean('on'));

        return to_route('connections')->with('told', $request->boolean('on') ? 'On from now.' : 'Off. Nothing more is sent there.');
    }

    public function again(Request $request, string $call, KeepHooks $hooks): RedirectResponse
    {
        $one = HookCall::query()->with('hook')->where('key', $call)->firstOrFail();
        abort_unless($one->hook->user_id === self::user($request)->id, 403);
        $hooks->again($one);

        return to_route('connections')->with('told', 'It is sent again within a minute.');
    }

    private static function user(Request $request): User
    {
        $user = User::signedIn($request);
        abort_if($user->guest, 403);

        return $user;
    }
}
