<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;

/**
 * Tells the database for whom the running transaction works; row-level security shows the rest of it nothing.
 * What is told ends with the transaction, so a pooled connection carries nothing to the next request.
 */
final class Sight
{
    /** Counts up whenever someone else's work begins: what was read before is not theirs. */
    public static int $epoch = 0;

    /** For whom is worked now, as the application knows it; null: for itself or someone from outside. */
    private static ?User $person = null;

    private static ?int $file = null;

    public static function person(): ?User
    {
        return self::$person;
    }

    /** The file that is in sight as a whole, whoever asks; null when none is. */
    public static function file(): ?int
    {
        return self::$file;
    }

    /** A signed-in person: their own files and those of the offices they answer for. */
    public static function ofPerson(User $user): void
    {
        self::$person = null;
        self::$file = null;
        self::tell((string) $user->brokerage_id, (string) $user->id, '{}', '', $user->guest ? 'guest' : '');
        if ($user->officesInSight() !== []) {
            self::tell((string) $user->brokerage_id, (string) $user->id, '{'.implode(',', $user->officesInSight()).'}', '', '');
        }
        self::$person = $user;
    }

    /**
     * Work on one file as a whole, whichever side the person in front of it belongs to; afterwards they see again what they saw.
     *
     * @template T
     *
     * @param callable(): T $work
     * @return T
     */
    public static function asTheFile(int $fileId, callable $work): mixed
    {
        $before = (string) DB::scalar("SELECT coalesce(current_setting('unanimus.file', true), '')");
        if ($before === (string) $fileId) {
            return $work();
        }
        DB::select("SELECT set_config('unanimus.file', ?, true)", [(string) $fileId]);
        $outer = self::$file;
        self::$file = $fileId;
        try {
            return $work();
        } finally {
            self::$file = $outer;
            try {
                DB::select("SELECT set_config('unanimus.file', ?, true)", [$before]);
            } catch (QueryException) {
                // The statement before has failed: the transaction is over, and what it was told with it.
            }
        }
    }

    /** Someone from outside with a link: one file. */
    public static function ofFile(int $brokerageId, int $fileId): void
    {
        self::$person = null;
        self::$file = $fileId;
        self::tell((string) $brokerageId, '', '{}', (string) $fileId, '');
    }

    /** The application itself at work for one brokerage. */
    public static function ofBrokerage(int $brokerageId): void
    {
        self::$person = null;
        self::$file = null;
        self::tell((string) $brokerageId, '', '{}', '', 'all');
    }

    /**
     * Work of the application for one brokerage, in a transaction of its own.
     *
     * @template T
     *
     * @param callable(): T $work
     * @return T
     */
    public static function within(int $brokerageId, callable $work): mixed
    {
        return DB::transaction(static function () use ($brokerageId, $work): mixed {
            self::ofBrokerage($brokerageId);

            return $work();
        });
    }

    /** @return list<int> every brokerage, for work that goes over all of them one by one */
    public static function brokerages(): array
    {
        return array_map(static fn (object $row) => (int) $row->id, DB::select('SELECT brokerages_at_work() AS id'));
    }

    private static function tell(string $brokerage, string $person, string $offices, string $file, string $sight): void
    {
        if (DB::transactionLevel() === 0) {
            throw new \LogicException('Sight is told to a transaction; there is none.');
        }
        self::$epoch++;
        DB::select(
            "SELECT set_config('unanimus.brokerage', ?, true), set_config('unanimus.person', ?, true), set_config('unanimus.offices', ?, ".
                "true), set_config('unanimus.file', ?, true), set_config('unanimus.sight', ?, true)",
            [$brokerage, $person, $offices, $file, $sight],
        );
    }
}
