<?php

declare(strict_types=1);

namespace App\History;

use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/**
 * All that happened in a time, for an auditor: sign-ins, the history of the brokerage and that of each file, a JSON object a line
 * (docs/formats.md), as far as whoever asks may see it.
 */
final class AuditTrail
{
    private const AS_TEXT = JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR;

    /**
     * @param resource $into
     * @return int lines written
     */
    public static function write($into, Carbon $from, Carbon $until): int
    {
        $count = 0;
        foreach (self::queries() as $kind => $query) {
            foreach (DB::cursor($query, [$from->toIso8601String(), $until->toIso8601String()]) as $row) {
                $row->data === null ?: $row->data = json_decode((string) $row->data);
                $line = json_encode(['kind' => $kind, ...(array) $row], self::AS_TEXT)."\n";
                fwrite($into, $line) === strlen($line) || throw new \RuntimeException('It could not be written: the disk may be full.');
                $count++;
            }
        }

        return $count;
    }

    /** @return array<string, string> */
    private static function queries(): array
    {
        $at = static fn (string $table) => "to_char({$table}.at AT TIME ZONE 'UTC', 'YYYY-MM-DD\"T\"HH24:MI:SS.US\"Z\"') AS at";
        $during = static fn (string $table) => "{$table}.at >= ?::timestamptz AND {$table}.at < ?::timestamptz";

        return [
            'sign-in' => "SELECT {$at('s')}, u.name AS who, u.email, s.outcome, s.device, s.address, NULL AS data
                FROM sign_ins s JOIN users u ON u.id = s.user_id WHERE {$during('s')} ORDER BY s.id",
            'brokerage' => "SELECT {$at('h')}, h.seq, h.who, h.what, h.data::text AS data, h.before, h.hash
                FROM brokerage_history h WHERE {$during('h')} ORDER BY h.seq",
            'file' => "SELECT {$at('h')}, f.key AS file, f.name AS file_name, h.seq, h.who, h.side, h.what, h.data::text AS data,
                    h.before, h.hash
                FROM history h JOIN deal_files f ON f.id = h.deal_file_id WHERE {$during('h')} ORDER BY h.deal_file_id, h.seq",
        ];
    }
}
