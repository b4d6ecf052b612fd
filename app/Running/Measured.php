<?php

declare(strict_types=1);

namespace App\Running;

use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Unanimus\Running\Checks;
use Unanimus\Running\Finding;

/** What an installation says of itself when it is asked. Nothing of a deal, and no name, is in it. */
final class Measured
{
    /** @return list<Finding> */
    public static function all(): array
    {
        $counts = self::counts();
        $folder = (string) config('unanimus.bytes.folder');
        $free = is_dir($folder) && is_writable($folder) ? @disk_free_space($folder) : false;

        return [
            Checks::disk($free === false ? null : (int) $free),
            Checks::backup(self::ago('backup')),
            Checks::rehearsal(self::ago('rehearsal'), (bool) config('unanimus.backups')),
            self::log(),
            Checks::bytes(self::ago('bytes'), self::ago('bytes-broken')),
            Checks::scheduler(self::ago('scheduler')),
            Checks::queues(self::oldest()),
            Checks::stopped($counts['work_stopped'] ?? 0),
            Checks::mail($counts['emails_late'] ?? 0),
            Checks::seals($counts['seals_late'] ?? 0),
            Checks::services(self::failing()),
            Checks::clock(microtime(true) - (float) DB::scalar('SELECT extract(epoch FROM clock_timestamp())')),
            Checks::certificate('seal', self::until((string) config('unanimus.seal.key')), Carbon::now()->toDateTimeImmutable()),
            ...self::web(),
            Checks::settings((string) config('app.url'), (bool) config('app.debug'), (bool) config('unanimus.demo')),
        ];
    }

    /** @return list<Finding> of what answers in the open; a demo does not */
    private static function web(): array
    {
        $tls = (string) config('unanimus.tls');

        return $tls === '' ? [] : [Checks::certificate('web', self::until($tls), Carbon::now()->toDateTimeImmutable())];
    }

    private static function log(): Finding
    {
        $at = DB::selectOne(
            "SELECT current_setting('archive_mode') <> 'off' AS is_on, coalesce(last_failed_time > coalesce(last_archived_time,
                '-infinity'), false) AS fails FROM pg_stat_archiver",
        );

        return Checks::log((bool) $at->is_on, (bool) $at->fails, (bool) config('unanimus.backups'));
    }

    /** @return array<string, int> */
    public static function counts(): array
    {
        return array_map(intval(...), array_column(DB::select('SELECT * FROM installation_counts()'), 'n', 'what'));
    }

    /** @return array<string, int> seconds that the oldest job of each queue waits */
    public static function oldest(): array
    {
        return DB::table('jobs')
            ->whereNull('reserved_at')
            ->where('available_at', '<=', time())
            ->groupBy('queue')
            ->selectRaw('queue, ? - min(available_at) AS seconds', [time()])
            ->pluck('seconds', 'queue')
            ->map(static fn ($seconds) => (int) $seconds)
            ->all();
    }

    /** @return array<string, array{int, string}> */
    public static function failing(): array
    {
        return DB::table('service_breakers')->where('fails', '>', 0)->orderBy('name')->get()
            ->mapWithKeys(static fn (object $row) => [(string) $row->name => [(int) $row->fails, (string) $row->fault]])
            ->all();
    }

    /** Notes that something of the installation itself was done. */
    public static function mark(string $name): void
    {
        DB::statement(
            'INSERT INTO installation_marks (name, at) VALUES (?, clock_timestamp()) ON CONFLICT (name) DO UPDATE SET at = excluded.at',
            [$name],
        );
    }

    /** @return int|null seconds since it was noted; null: never */
    private static function ago(string $name): ?int
    {
        $seconds = DB::scalar('SELECT extract(epoch FROM clock_timestamp() - at) FROM installation_marks WHERE name = ?', [$name]);

        return $seconds === null ? null : (int) $seconds;
    }

    private static function until(string $path): ?\DateTimeImmutable
    {
        $pem = is_file($path) && is_readable($path) ? (string) file_get_contents($path) : '';
        $isThere = preg_match('/-----BEGIN CERTIFICATE-----.+?-----END CERTIFICATE-----/s', $pem, $found) === 1;
        $read = $isThere ? openssl_x509_parse($found[0]) : false;

        return is_array($read) && isset($read['validTo_time_t'])
            ? (new \DateTimeImmutable())->setTimestamp((int) $read['validTo_time_t'])
            : null;
    }
}
