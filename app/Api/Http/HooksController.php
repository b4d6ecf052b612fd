<?php

declare(strict_types=1);

namespace App\Api\Http;

use App\Api\Actions\KeepHooks;
use App\Models\Hook;
use App\Models\HookCall;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Unanimus\Api\ApiRefusal;
use Unanimus\Api\HookEvent;

/** Webhooks of the person a token belongs to, for programs. */
final class HooksController
{
    public function index(Request $request): JsonResponse
    {
        $own = Hook::query()->where('user_id', User::signedIn($request)->id)->orderBy('id')->get();

        return new JsonResponse(['webhooks' => $own->map(self::record(...))->all()]);
    }

    public function store(Request $request, KeepHooks $hooks): JsonResponse
    {
        $given = $request->validate(['url' => 'required|string|max:500', 'events' => 'required|array|max:40',
            'events.*' => 'string|max:60']);
        $user = User::signedIn($request);
        foreach (array_filter(array_map(HookEvent::tryFrom(...), array_values($given['events']))) as $event) {
            $user->tokenCan($event->scope()->value) || throw ApiRefusal::EventNeedsScope->because(
                event: $event->value,
                scope: $event->scope()->value,
            );
        }
        [$hook, $secret] = $hooks->add($user, $given['url'], array_values($given['events']));

        return new JsonResponse([...self::record($hook), 'secret' => $secret], 201);
    }

    public function destroy(Request $request, string $hook, KeepHooks $hooks): JsonResponse
    {
        $hooks->turn(self::own($request, $hook), false);

        return new JsonResponse(['off' => true]);
    }

    public function calls(Request $request, string $hook): JsonResponse
    {
        $calls = self::own($request, $hook)->calls()->orderByDesc('id')->limit(100)->get();

        return new JsonResponse(['calls' => $calls->map(static fn (HookCall $one) => [
            'key' => $one->key,
            'event' => $one->event,
            'tried' => $one->tried,
            'taken' => $one->taken_at !== null,
            'given_up' => $one->given_up_at !== null,
            'answer' => $one->answer,
        ])->all()]);
    }

    private static function own(Request $request, string $key): Hook
    {
        return Hook::query()->where(['user_id' => User::signedIn($request)->id, 'key' => $key])->firstOrFail();
    }

    /** @return array<string, mixed> */
    private static function record(Hook $hook): array
    {
        return ['key' => $hook->key, 'url' => $hook->url, 'events' => $hook->events, 'on' => $hook->off_at === null];
    }
}
