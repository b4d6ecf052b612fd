<?php

declare(strict_types=1);

namespace App\Access;

use Illuminate\Database\QueryException;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use PDOException;

/**
 * A copy of the database that follows it (DB_REPLICA): reports and finding are read there as long as it has all that was stored
 * up to now, so that nobody misses what they have just done; else where everything is written.
 */
final class Replica
{
    /** Pages that look at much, change nothing, and are whole when their request ends: what is still read as it goes out is not. */
    public const PAGES = [
        'find', 'files.index', 'office.history', 'reports', 'reports.deals', 'reports.pdf', 'reports.statement', 'reports.statement-pdf',
    ];

    private const NAME = 'replica';

    /** Seconds for which one that did not answer is not asked again. */
    private const ASIDE = 10;

    private const READ_ONLY = '25006';

    public static function isFor(Request $request): bool
    {
        return (string) config('database.connections.replica.database') !== '' &&
            $request->isMethodSafe() &&
            $request->route()?->named(...self::PAGES) === true;
    }

    /** Whether it answers and has everything that is stored. */
    public static function isFresh(): bool
    {
        $near = Cache::store('machine');
        if ($near->get(self::NAME) !== null) {
            return false;
        }
        try {
            $now = (string) DB::connection(config('database.default'))->scalar('SELECT pg_current_wal_lsn()');

            $follows = 'SELECT pg_is_in_recovery() AND pg_last_wal_replay_lsn() >= ?::pg_lsn';

            return DB::connection(self::NAME)->scalar($follows, [$now]) === true;
        } catch (QueryException|PDOException) {
            DB::purge(self::NAME);
            $near->put(self::NAME, 'away', self::ASIDE);

            return false;
        }
    }

    /**
     * Does work that only reads there.
     *
     * @template T
     *
     * @param callable(): T $work
     * @return T
     */
    public static function read(callable $work): mixed
    {
        $usual = DB::getDefaultConnection();
        DB::setDefaultConnection(self::NAME);
        try {
            return $work();
        } finally {
            DB::setDefaultConnection($usual);
        }
    }

    /**
     * Whether work was broken off since it stores something after all, or since the replica went away in the middle of it; a page that
     * was being drawn tells of that as its cause.
     */
    public static function refused(?\Throwable $thrown): bool
    {
        for (; $thrown !== null; $thrown = $thrown->getPrevious()) {
            $is = $thrown instanceof QueryException && $thrown->getConnectionName() === self::NAME;
            if ($is && preg_match('/^(?:'.self::READ_ONLY.'|08|57|HY000)/', (string) $thrown->getCode()) === 1) {
                return true;
            }
        }

        return false;
    }
}
