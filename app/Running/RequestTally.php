<?php

declare(strict_types=1);

namespace App\Running;

use Illuminate\Contracts\Cache\Repository;
use Illuminate\Routing\Route;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\Route as Routes;

/** How often each route of this machine was answered since it started, how, and how long that took. */
final class RequestTally
{
    private const CLASSES = [2, 3, 4, 5];

    public static function add(string $route, int $status, float $seconds): void
    {
        $store = self::store();
        $store?->increment("requests:{$route}:".intdiv($status, 100));
        $store?->increment("requests:{$route}:microseconds", (int) ($seconds * 1e6));
    }

    /** @return list<array{string, int, int}> route, hundreds of the status, how many */
    public static function counts(): array
    {
        $found = [];
        foreach (self::routes() as $route) {
            foreach (self::CLASSES as $class) {
                $count = (int) self::store()?->get("requests:{$route}:{$class}");
                $count === 0 || $found[] = [$route, $class, $count];
            }
        }

        return $found;
    }

    /** @return array<string, float> seconds in all, by route */
    public static function seconds(): array
    {
        $all = [];
        foreach (self::routes() as $route) {
            $all[$route] = (int) self::store()?->get("requests:{$route}:microseconds") / 1e6;
        }

        return array_filter($all);
    }

    /** @return list<string> */
    private static function routes(): array
    {
        return ['none', ...array_values(array_filter(array_map(
            static fn (Route $route) => (string) $route->getName(),
            Routes::getRoutes()->getRoutes(),
        )))];
    }

    private static function store(): ?Repository
    {
        $name = (string) config('unanimus.tally');

        return $name === 'machine' && ! (function_exists('apcu_enabled') && apcu_enabled()) ? null : Cache::store($name);
    }
}
