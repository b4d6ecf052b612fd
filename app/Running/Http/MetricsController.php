<?php

declare(strict_types=1);

namespace App\Running\Http;

use App\Running\Measured;
use App\Running\RequestTally;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;

/**
 * Figures for the operator's own program, which shows its secret; without one there is no such page.
 *
 * @link https://prometheus.io/docs/instrumenting/exposition_formats/ text format 0.0.4
 */
final class MetricsController
{
    public function __invoke(Request $request): Response
    {
        $secret = (string) config('unanimus.metrics');
        abort_if(strlen($secret) < 16 || ! hash_equals($secret, (string) $request->bearerToken()), 404);
        $lines = [];
        $put = static function (string $name, string $about, array $values, string $type = 'gauge') use (&$lines): void {
            $lines[] = "# HELP unanimus_{$name} {$about}";
            $lines[] = "# TYPE unanimus_{$name} {$type}";
            foreach ($values as $label => $value) {
                $lines[] = 'unanimus_'.$name.($label === '' ? '' : '{'.$label.'}')." {$value}";
            }
        };
        $label = static fn (string $name, array $all): array => array_combine(
            array_map(static fn (string|int $key) => $name.'="'.addcslashes((string) $key, "\\\"\n").'"', array_keys($all)),
            array_values($all),
        );
        foreach (Measured::counts() as $what => $n) {
            $put($what, str_replace('_', ' ', $what), ['' => $n]);
        }
        $put('queue_oldest_seconds', 'how long the oldest job of a queue waits', $label('queue', Measured::oldest()));
        $put('queue_jobs', 'jobs that wait or are at work', $label('queue', DB::table('jobs')->groupBy('queue')
            ->selectRaw('queue, count(*) AS n')->pluck('n', 'queue')->all()));
        $put('service_failures', 'failures of a service outside in a row', $label('service', array_map(
            static fn (array $one) => $one[0],
            Measured::failing(),
        )));
        $put('requests_total', 'requests answered since this machine started, by route and hundreds of the status', array_column(array_map(
            static fn (array $one): array => ["route=\"{$one[0]}\",status=\"{$one[1]}xx\"", $one[2]],
            RequestTally::counts(),
        ), 1, 0), 'counter');
        $spent = $label('route', RequestTally::seconds());
        $put('request_seconds_total', 'seconds spent on requests since this machine started', $spent, 'counter');
        $levels = [];
        foreach (Measured::all() as $finding) {
            $levels[$finding->part] = $finding->level->weight();
        }
        $put('check', '0 well, 1 to look at, 2 broken', $label('part', $levels));
        $put('database_bytes', 'size of the database', ['' => (int) DB::scalar('SELECT pg_database_size(current_database())')]);
        $put('database_backends', 'connections to the database', ['' => (int) DB::scalar(
            'SELECT count(*) FROM pg_stat_activity WHERE datname = current_database()',
        )]);

        return new Response(implode("\n", $lines)."\n", 200, ['Content-Type' => 'text/plain; version=0.0.4; charset=utf-8']);
    }
}
