<?php

declare(strict_types=1);

namespace App\History;

use App\Models\Actor;
use App\Models\AppKeys;
use Illuminate\Support\Facades\DB;
use Unanimus\Files\SeenBy;
use Unanimus\History\Chain;

/**
 * A file's history: what was done, by whom, in an order nobody can change. Entries are written in the transaction of the
 * change they tell of, one file's after another.
 */
final class History
{
    /**
     * Adds an entry. Who did it and when the database takes from its session.
     *
     * @param array<string, string|int|bool|null|array<mixed>> $data
     * @param SeenBy $seenBy whose affair it is, said on purpose
     */
    public static function add(int $brokerageId, int $fileId, string $what, array $data, SeenBy $seenBy): void
    {
        app(Actor::class)->tellDatabase();
        $json = json_encode((object) $data, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_INVALID_UTF8_SUBSTITUTE);
        $new = DB::selectOne('SELECT * FROM add_history(?, ?, ?, ?, ?)', [
            $fileId,
            $what,
            $json,
            $seenBy->side?->value,
            $seenBy->staffOnly ? 'true' : 'false',
        ]);
        self::head($brokerageId, $fileId, (int) $new->new_seq, $new->new_hash);
    }

    /**
     * Adds an entry to the history of the brokerage: people, roles, offices, rules, kits.
     *
     * @param array<string, string|int|bool|null|array<mixed>> $data
     * @param int|null $officeId whose affair it is; null: all offices'
     */
    public static function ofBrokerage(int $brokerageId, string $what, array $data, ?int $officeId = null): void
    {
        app(Actor::class)->tellDatabase();
        $json = json_encode((object) $data, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_INVALID_UTF8_SUBSTITUTE);
        $new = DB::selectOne('SELECT * FROM add_brokerage_history(?, ?, ?)', [$officeId, $what, $json]);
        DB::insert(
            'INSERT INTO brokerage_history_heads (brokerage_id, seq, hash, mac) VALUES (?, ?, ?, ?)
                ON CONFLICT (brokerage_id) DO UPDATE SET seq = excluded.seq, hash = excluded.hash, mac = excluded.mac,
                    moved_at = clock_timestamp()',
            [
                $brokerageId,
                $new->new_seq,
                $new->new_hash,
                Chain::seal(self::key('brokerage history'), $brokerageId, (int) $new->new_seq, $new->new_hash),
            ],
        );
    }

    /** Seals where a file's chain ends now, for entries that came by another way. */
    public static function sealHead(int $brokerageId, int $fileId): void
    {
        $last = DB::table('history')
            ->where('deal_file_id', $fileId)
            ->orderByDesc('seq')
            ->first(['seq', 'hash']);
        $last === null || self::head($brokerageId, $fileId, (int) $last->seq, $last->hash);
    }

    private static function head(int $brokerageId, int $fileId, int $seq, string $hash): void
    {
        DB::insert(
            'INSERT INTO history_heads (deal_file_id, brokerage_id, seq, hash, mac) VALUES (?, ?, ?, ?, ?)
                ON CONFLICT (deal_file_id) DO UPDATE SET seq = excluded.seq, hash = excluded.hash, mac = excluded.mac,
                    moved_at = clock_timestamp()',
            [$fileId, $brokerageId, $seq, $hash, Chain::seal(self::key(), $fileId, $seq, $hash)],
        );
    }

    /**
     * What does not hold in a file's history, in words; null when all of it holds.
     *
     * @param array<int, string> $stamped hashes that a time stamp vouches for, by the number of their entry
     */
    public static function fault(int $fileId, array $stamped = []): ?string
    {
        $rows = DB::table('history')
            ->where('deal_file_id', $fileId)
            ->orderBy('seq')
            ->selectRaw("*, data::text AS data_text, to_char(at AT TIME ZONE 'UTC', 'YYYY-MM-DD\"T\"HH24:MI:SS.US\"Z\"') AS at_text")
            ->cursor();
        $walk = Chain::walk(
            (static function () use ($rows, &$stamped) {
                foreach ($rows as $row) {
                    if (($stamped[(int) $row->seq] ?? $row->hash) === $row->hash) {
                        unset($stamped[(int) $row->seq]);
                    }
                    yield [
                        'seq' => (int) $row->seq,
                        'before' => $row->before,
                        'hash' => $row->hash,
                        'columns' => [
                            (string) $row->brokerage_id,
                            (string) $row->deal_file_id,
                            (string) $row->seq,
                            $row->at_text,
                            $row->who,
                            $row->user_id === null ? null : (string) $row->user_id,
                            $row->what,
                            $row->data_text,
                            $row->side,
                            $row->staff_only ? 'true' : 'false',
                        ],
                    ];
                }
            })(),
        );
        $head = DB::table('history_heads')->where('deal_file_id', $fileId)->first();
        $fault = self::faultOfEnd($walk, $head, 'history', $fileId);

        return $fault ?? ($stamped === [] ? null : 'entry '.array_key_first($stamped).' is not what was stamped');
    }

    /** What does not hold in the history of a brokerage, in words; null when all of it holds, or there is none yet. */
    public static function faultOfBrokerage(int $brokerageId): ?string
    {
        $rows = DB::table('brokerage_history')
            ->where('brokerage_id', $brokerageId)
            ->orderBy('seq')
            ->selectRaw("*, data::text AS data_text, to_char(at AT TIME ZONE 'UTC', 'YYYY-MM-DD\"T\"HH24:MI:SS.US\"Z\"') AS at_text")
            ->cursor();
        $walk = Chain::walk(
            (static function () use ($rows) {
                foreach ($rows as $row) {
                    yield [
                        'seq' => (int) $row->seq,
                        'before' => $row->before,
                        'hash' => $row->hash,
                        'columns' => [
                            (string) $row->brokerage_id,
                            $row->office_id === null ? null : (string) $row->office_id,
                            (string) $row->seq,
                            $row->at_text,
                            $row->who,
                            $row->user_id === null ? null : (string) $row->user_id,
                            $row->what,
                            $row->data_text,
                        ],
                    ];
                }
            })(),
        );
        $head = DB::table('brokerage_history_heads')->where('brokerage_id', $brokerageId)->first();

        return $walk['seq'] === 0 && $walk['broken'] === null && $head === null
            ? null
            : self::faultOfEnd($walk, $head, 'brokerage history', $brokerageId);
    }

    /** @param  array{broken: int|null, seq: int, hash: string}  $walk */
    private static function faultOfEnd(array $walk, ?object $head, string $use, int $of): ?string
    {
        $isOurs = static fn (string $key) => $head !== null &&
            hash_equals(Chain::seal($key, $of, (int) $head->seq, $head->hash), $head->mac);

        return match (true) {
            $walk['broken'] !== null => "entry {$walk['broken']} was changed, moved or taken out",
            $walk['seq'] === 0 => 'there is no entry left',
            $head === null => 'its end is not sealed',
            array_filter(AppKeys::madeFor($use), $isOurs) === [] => 'its end was sealed by someone else',
            (int) $head->seq !== $walk['seq'] => "it ends at entry {$walk['seq']}, but {$head->seq} were written",
            $head->hash !== $walk['hash'] => 'it was written anew from some entry on',
            default => null,
        };
    }

    private static function key(string $of = 'history'): string
    {
        return AppKeys::madeFor($of)[0];
    }
}
