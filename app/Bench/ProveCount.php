<?php

declare(strict_types=1);

namespace App\Bench;

use App\Models\Sight;
use Illuminate\Support\Facades\DB;

/** Holds what was noted against what is there. */
final class ProveCount
{
    /** Seconds in which what was under way has to come to its end. */
    private const SETTLES = 300;

    public function __construct(private readonly ProvePurge $purge)
    {
    }

    /** @return array<string, array{int, int, int, int}> tried, lost, doubled, stuck */
    public function of(string $folder): array
    {
        $noted = $this->noted($folder);
        $old = (array) (json_decode((string) file_get_contents("{$folder}/prepared.json"), true)['old'] ?? []);

        return Sight::within(Sight::brokerages()[0], function () use ($noted, $old): array {
            $this->settle();

            return [
                'entries' => $this->kept(
                    $noted['entry'] ?? [],
                    "SELECT replace(client_key, 'web:', '') AS key FROM paper_entries",
                    'SELECT 0',
                ),
                'uploads' => $this->kept(
                    $noted['upload'] ?? [],
                    'SELECT key FROM uploads',
                    "SELECT count(*) FROM uploads WHERE key LIKE 'prove-%' AND state = 'working'",
                ),
                'signatures' => $this->kept(
                    $noted['signature'] ?? [],
                    "SELECT s.key FROM round_events e JOIN signers s ON s.round_id = e.round_id AND s.seat = e.seat
                        WHERE e.kind = 'finished'",
                    'SELECT '.count(array_filter($noted['turn'] ?? [], static fn (bool $said) => ! $said)),
                ),
                'rows moved in' => $this->rows($noted['import'] ?? []),
                'sealed sets' => $this->sets(),
                'emails' => $this->emails(),
                ...$old === [] ? [] : ['files purged' => $this->purge->count($old)],
            ];
        });
    }

    /** @return array<string, array<string, bool>> whether it was said to be done, by what and key */
    private function noted(string $folder): array
    {
        $all = [];
        foreach (glob("{$folder}/noted-*.jsonl") ?: [] as $file) {
            foreach (file($file, FILE_IGNORE_NEW_LINES) ?: [] as $line) {
                $one = (array) json_decode($line, true);
                $all[(string) $one['what']][(string) $one['key']] = (bool) $one['said'];
            }
        }

        return $all;
    }

    private function settle(): void
    {
        for ($end = microtime(true) + self::SETTLES; microtime(true) < $end; sleep(1)) {
            $waits = (int) DB::scalar(
                "SELECT (SELECT count(*) FROM letters WHERE sent_at IS NULL) + (SELECT count(*) FROM uploads WHERE state = 'working')
                    + (SELECT count(*) FROM imports WHERE state = 'running')
                    + (SELECT count(*) FROM rounds r WHERE status = 'complete'
                        AND NOT EXISTS (SELECT FROM sealed_sets s WHERE s.round_id = r.id AND s.round_paper_id IS NULL))",
            );
            if ($waits === 0) {
                return;
            }
        }
    }

    /**
     * What was asked for again and again and never said to be done is stuck, too.
     *
     * @param array<string, bool> $noted
     * @return array{int, int, int, int}
     */
    private function kept(array $noted, string $there, string $stuck): array
    {
        $found = array_count_values(array_map(static fn (object $row): string => (string) $row->key, DB::select($there)));
        $said = array_keys(array_filter($noted));
        $lost = array_filter($said, static fn (string $key) => ! isset($found[$key]));
        $doubled = array_filter(array_keys($noted), static fn (string $key) => ($found[$key] ?? 0) > 1);

        return [count($noted), count($lost), count($doubled), count($noted) - count($said) + (int) DB::scalar($stuck)];
    }

    /**
     * Of each table that was said to be moved in all rows are files, each once.
     *
     * @param array<string, bool> $noted
     * @return array{int, int, int, int}
     */
    private function rows(array $noted): array
    {
        $tried = ProveFiles::ROWS * count($noted);
        $begun = ProveFiles::ROWS * count(array_filter($noted));
        $files = array_map(
            static fn (object $row): int => (int) $row->n,
            DB::select("SELECT count(*) AS n FROM facts WHERE name = 'property.street' AND value LIKE 'Moved % Row %' GROUP BY value"),
        );
        $running = (int) DB::scalar("SELECT count(*) FROM imports WHERE state = 'running'");

        return [$tried, max(0, $begun - count($files)), array_sum($files) - count($files), $running + $tried - $begun];
    }

    /** @return array{int, int, int, int} */
    private function sets(): array
    {
        $row = DB::selectOne(
            "SELECT count(*) AS complete, count(*) FILTER (WHERE n = 0) AS stuck, count(*) FILTER (WHERE n > 1) AS doubled FROM (
                SELECT r.id, (SELECT count(*) FROM sealed_sets s WHERE s.round_id = r.id AND s.round_paper_id IS NULL) AS n
                FROM rounds r WHERE r.status = 'complete') each",
        );

        return [(int) $row->complete, 0, (int) $row->doubled, (int) $row->stuck];
    }

    /**
     * What came a second time is known to mail programs by its Message-ID and no double; under another it would be.
     *
     * @return array{int, int, int, int}
     */
    private function emails(): array
    {
        $waiting = (int) DB::scalar('SELECT count(*) FROM letters WHERE sent_at IS NULL');
        $sent = (int) DB::scalar('SELECT count(*) FROM letters WHERE sent_at IS NOT NULL');
        $came = [];
        foreach (glob(config('unanimus.post_room.folder').'/out/*.eml') ?: [] as $file) {
            $raw = (string) file_get_contents($file);
            preg_match('/^Message-ID:\s*(<[^>]+>)/mi', $raw, $id);
            $came[$id[1] ?? $file] = true;
        }

        return [$sent + $waiting, max(0, $sent - count($came)), max(0, count($came) - $sent - $waiting), $waiting];
    }
}
