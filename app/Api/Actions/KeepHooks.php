<?php

declare(strict_types=1);

namespace App\Api\Actions;

use App\History\History;
use App\Models\Hook;
use App\Models\HookCall;
use App\Models\User;
use Illuminate\Support\Facades\Crypt;
use Illuminate\Support\Facades\DB;
use Unanimus\Api\ApiRefusal;
use Unanimus\Api\HookAddress;
use Unanimus\Api\HookEvent;
use Unanimus\Steps\StepRefused;

/** Webhooks of a person: set up, turned off and on, a call made again. */
final class KeepHooks
{
    private const MOST = 10;

    /**
     * @param list<string> $events
     * @return array{Hook, string} the webhook, and the secret its calls are signed with, which is shown once
     *
     * @throws StepRefused when the address cannot be called, no event is chosen, or there are too many
     */
    public function add(User $by, string $url, array $events): array
    {
        $address = HookAddress::of($url, (bool) config('unanimus.hooks_anywhere'));
        $known = array_values(array_filter(
            array_map(static fn (HookEvent $event) => $event->value, HookEvent::cases()),
            static fn (string $event) => in_array($event, $events, true),
        ));
        $known === [] && throw ApiRefusal::NoEvents->because();
        DB::table('users')->where('id', $by->id)->lockForUpdate()->value('id');
        // Pressed twice, the one whose secret is shown takes the place of the one before.
        Hook::query()->where(['user_id' => $by->id, 'url' => $address->url])->whereNull('off_at')
            ->where('created_at', '>', now()->subSeconds(10))->update(['off_at' => now()]);
        $count = Hook::query()->where('user_id', $by->id)->whereNull('off_at')->count();
        $count < self::MOST || throw ApiRefusal::TooMany->because(count: $count);
        $secret = 'whs_'.bin2hex(random_bytes(24));
        $hook = Hook::create([
            'brokerage_id' => $by->brokerage_id,
            'user_id' => $by->id,
            'url' => $address->url,
            'secret' => Crypt::encryptString($secret),
            'events' => $known,
            ...self::fromNow(),
        ]);
        History::ofBrokerage($by->brokerage_id, 'Webhook set up', ['to' => $address->host, 'events' => implode(', ', $known)]);

        return [$hook, $secret];
    }

    /** Off, nothing is told; on again, what happened meanwhile is not told afterwards. */
    public function turn(Hook $hook, bool $on): void
    {
        if (($hook->off_at === null) === $on) {
            return;
        }
        $hook->update($on
            ? ['off_at' => null, 'off_because' => '', ...self::fromNow()]
            : ['off_at' => now(), 'off_because' => '']);
        History::ofBrokerage($hook->brokerage_id, $on ? 'Webhook turned on' : 'Webhook turned off', ['to' => (string) parse_url($hook
            ->url, PHP_URL_HOST)]);
    }

    /** One call that was given up is made once more. */
    public function again(HookCall $call): void
    {
        $call->taken_at !== null || $call->hook->off_at !== null || $call->update(['next_at' => now(), 'given_up_at' => null,
            'tried' => 0]);
    }

    /** @return array{seen_id: int, from_id: int} what happened before is not told */
    private static function fromNow(): array
    {
        // Entries of files that the owner does not see count, too.
        $last = (int) DB::scalar('SELECT last_entry()');

        return ['seen_id' => $last, 'from_id' => $last];
    }
}
