<?php

declare(strict_types=1);

namespace App\History;

use App\Access\Actor;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Unanimus\History\Chain;
use Unanimus\Signing\Seat;
use Unanimus\Terms\PropertyFact;
use Unanimus\Terms\Term;

/**
 * A file's history: what was done, by whom, in an order nobody can change. Entries are written in the transaction of the
 * change they tell of, one file's after another.
 */
final class History
{
    /**
     * Adds an entry.
     *
     * @param array<string, string|int|bool|null|array<mixed>> $data
     * @param string|null $side whose own affair it is; null: both sides'
     * @param bool $staffOnly whether it is the office's alone
     */
    public static function add(int $brokerageId, int $fileId, string $what, array $data = [], ?string $side = null, bool $staffOnly = false): void
    {
        $actor = app(Actor::class);
        // The chain goes over all entries, also those that who adds this one does not see; one after another.
        $last = DB::selectOne('SELECT seq, hash FROM last_of_history(?)', [$fileId]);
        $entry = ['file' => $fileId, 'at' => Carbon::now('UTC')->format('Y-m-d\TH:i:s.u\Z'), 'who' => $actor->name(), 'user' => $actor->userId(), 'what' => $what, 'data' => $data];
        $before = $last->hash ?? Chain::START;
        DB::table('history')->insert([
            'brokerage_id' => $brokerageId, 'deal_file_id' => $fileId, 'seq' => ($last->seq ?? 0) + 1, 'at' => $entry['at'], 'who' => $entry['who'], 'user_id' => $entry['user'],
            'what' => $what, 'data' => json_encode((object) $data, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE), 'before' => $before, 'hash' => Chain::hash($before, $entry), 'side' => $side, 'staff_only' => $staffOnly,
        ]);
    }

    /**
     * What an entry is about, in the order one reads it: which paper, where on it, what it was and what it is.
     *
     * @param array<string, mixed> $data
     */
    public static function words(array $data): string
    {
        $item = Term::tryFrom((string) ($data['name'] ?? '')) ?? PropertyFact::tryFrom((string) ($data['name'] ?? ''));
        $show = static fn (mixed $value) => is_scalar($value) && (string) $value !== '' ? mb_strimwidth($item === null ? (string) $value : $item->kind()->show((string) $value), 0, 60, '…') : 'empty';
        $said = array_filter($data, static fn (mixed $value, string $name) => is_scalar($value) && $value !== '' && ! is_bool($value) && ! in_array($name, ['sha256', 'before', 'after', 'name', 'seat'], true), ARRAY_FILTER_USE_BOTH);
        $said = array_map(static fn (mixed $value) => mb_strimwidth((string) $value, 0, 60, '…'), $said);
        $first = array_intersect_key(['paper' => 1, 'round' => 1, 'blank' => 1], $said);
        $about = isset($data['seat']) ? [self::seat((string) $data['seat'])] : (isset($data['name']) ? [$item?->label() ?? (string) $data['name']] : []);
        if (is_scalar($data['after'] ?? null)) {
            $before = $show($data['before'] ?? '');
            $about[] = $before === 'empty' ? $show($data['after']) : "{$before} → {$show($data['after'])}";
        }

        return implode(' · ', [...array_values(array_replace($first, array_intersect_key($said, $first))), ...$about, ...array_values(array_diff_key($said, $first))]);
    }

    private static function seat(string $seat): string
    {
        return preg_match('/^[a-z]+\.\d+$/', $seat) === 1 ? Seat::of($seat)->label() : $seat;
    }

    /** The number of the first entry of a file that does not hold, or null when all hold. */
    public static function firstBroken(int $fileId): ?int
    {
        $rows = DB::table('history')->where('deal_file_id', $fileId)->orderBy('seq')->cursor();

        return Chain::firstBroken((static function () use ($rows) {
            foreach ($rows as $row) {
                yield ['seq' => (int) $row->seq, 'before' => $row->before, 'hash' => $row->hash, 'entry' => [
                    'file' => (int) $row->deal_file_id, 'at' => Carbon::parse($row->at)->utc()->format('Y-m-d\TH:i:s.u\Z'), 'who' => $row->who,
                    'user' => $row->user_id, 'what' => $row->what, 'data' => json_decode($row->data, true, 64, JSON_THROW_ON_ERROR),
                ]];
            }
        })());
    }
}
