<?php

declare(strict_types=1);

namespace App\Office\Http;

use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\DB;

/** /up: whether database, disk and queue are well. */
final class HealthController
{
    public function __invoke(): JsonResponse
    {
        $checks = ['database' => self::check(static fn () => DB::selectOne('SELECT 1 AS one')->one === 1)];
        $checks['disk'] = self::check(static fn () => is_writable((string) config('unanimus.bytes.folder')) && disk_free_space((string) config('unanimus.bytes.folder')) > 200 * 1024 * 1024);
        $checks['queue'] = self::check(static fn () => (int) DB::table('jobs')->whereNull('reserved_at')->where('available_at', '<', time() - 600)->count() === 0);

        return new JsonResponse(['ok' => ! in_array(false, $checks, true), ...$checks], in_array(false, $checks, true) ? 503 : 200);
    }

    /** @param  callable(): bool  $check */
    private static function check(callable $check): bool
    {
        try {
            return $check();
        } catch (\Throwable) {
            return false;
        }
    }
}
