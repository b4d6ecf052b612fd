<?php

declare(strict_types=1);

namespace App\Papers;

use App\Models\Paper;
use App\Models\User;
use Illuminate\Support\Facades\Cache;

/** Who has a paper open right now. Nothing hangs on it: it is a courtesy, kept for half a minute. */
final class Presence
{
    private const SECONDS = 25;

    /** @return list<string> who else has it open, without being told of oneself */
    public static function others(Paper $paper, User $user): array
    {
        $here = array_filter(
            (array) Cache::get("here:{$paper->id}", []),
            static fn (mixed $one, int|string $id) => is_array($one) && $one[1] > time() - self::SECONDS && (int) $id !== $user->id,
            ARRAY_FILTER_USE_BOTH,
        );

        return array_values(array_map(static fn (array $one) => (string) $one[0], $here));
    }

    /** @return list<string> the names of the others, once oneself is told of */
    public static function of(Paper $paper, User $user): array
    {
        $key = "here:{$paper->id}";
        $here = array_filter((array) Cache::get($key, []), static fn (mixed $one) => is_array($one) && $one[1] > time() - self::SECONDS);
        $here[$user->id] = [$user->name, time()];
        Cache::put($key, $here, self::SECONDS * 2);
        unset($here[$user->id]);

        return array_values(array_map(static fn (array $one) => (string) $one[0], $here));
    }
}
