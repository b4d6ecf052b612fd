<?php

declare(strict_types=1);

namespace App\Office\Http;

use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/** /up: whether database, disk and queues are well, and what waits and why. */
final class HealthController
{
    /** Seconds after which a job that nobody took means that its worker is gone. */
    private const PATIENCE = 300;

    public function __invoke(Request $request): JsonResponse
    {
        $checks = ['database' => self::check(static fn () => DB::selectOne('SELECT 1 AS one')->one === 1)];
        $folder = (string) config('unanimus.bytes.folder');
        $checks['disk'] = self::check(static fn () => is_writable($folder) && disk_free_space($folder) > 200 * 1024 * 1024);
        $checks['queue'] = self::check(
            static fn () => DB::table('jobs')
                ->whereNull('reserved_at')
                ->where('available_at', '<', time() - self::PATIENCE)
                ->doesntExist(),
        );
        $waiting = [];
        self::check(static function () use (&$waiting): bool {
            foreach (DB::select('SELECT * FROM work_waiting()') as $row) {
                $next = $row->next_try_at === null ? '' : ', next try '.Carbon::parse($row->next_try_at)->toIso8601ZuluString();
                $waiting[$row->kind] = "{$row->waiting}: {$row->fault}{$next}";
            }

            return true;
        });
        // Someone who only asks whether it has started is not told no because an outside service is down.
        $well = ! in_array(false, $request->boolean('start') ? array_diff_key($checks, ['queue' => 1]) : $checks, true);

        return new JsonResponse(['ok' => $well, ...$checks, 'waiting' => $waiting === [] ? (object) [] : $waiting], $well ? 200 : 503);
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
