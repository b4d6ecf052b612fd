<?php

declare(strict_types=1);

namespace App\Moving;

use App\Storage\Bytes;
use Illuminate\Database\Connection;
use Unanimus\Files\Bag;

/** Takes a brokerage's folder into an installation that has none of it: bytes first, then every row in one transaction, or none. */
final class ImportBrokerage
{
    private const AT_ONCE = 200;

    public function __construct(private readonly Bytes $bytes)
    {
    }

    /**
     * @param Connection $owner of the database: it writes histories as they were, which the application never may
     * @return array<string, int> rows by table
     *
     * @throws MoveRefused when the folder is not whole, of another version, or the installation is not empty
     */
    public function __invoke(Connection $owner, string $folder): array
    {
        $faults = Bag::faults($folder);
        $faults === [] || throw new MoveRefused("The folder is not whole. {$faults[0]} Nothing was taken in.");
        $about = json_decode((string) @file_get_contents("{$folder}/data/export.json"), true);
        is_array($about) && ($about['format'] ?? 0) === 1 || throw new MoveRefused('This folder is no export of a brokerage.');
        $tables = new Tables($owner);
        $about['made by'] === $tables->version() || throw new MoveRefused(
            'It was made by another version of Unanimus. Bring both installations to the same version first.',
        );
        $isEmpty = $owner->table('brokerages')->where('id', $about['brokerage'])->doesntExist();
        $isEmpty || throw new MoveRefused('This installation has a brokerage in that place already. Take it into an empty one.');
        $this->bytes($folder);

        return $owner->transaction(fn (): array => $this->rows($owner, $tables, $folder, $about['rows']));
    }

    private function bytes(string $folder): void
    {
        foreach (glob("{$folder}/data/bytes/*/*") ?: [] as $path) {
            $this->bytes->putBack(basename($path), (string) file_get_contents($path));
        }
    }

    /**
     * @param array<string, int> $expected
     * @return array<string, int>
     */
    private function rows(Connection $owner, Tables $tables, string $folder, array $expected): array
    {
        // Rows name each other in circles, and histories are not written anew: what was whole stays whole.
        $owner->statement('SET LOCAL session_replication_role = replica');
        $rows = [];
        foreach ($tables->all() as $table) {
            $rows[$table] = $this->table($owner, $tables, $table, "{$folder}/data/rows/{$table}.jsonl");
            $rows[$table] === ($expected[$table] ?? 0)
                || throw new MoveRefused("The rows of {$table} are not all there. Nothing was taken in.");
            foreach ($tables->columns($table) as $column) {
                $sequence = $owner->selectOne('SELECT pg_get_serial_sequence(?, ?) AS name', ["public.{$table}", $column])->name;
                $sequence === null || $owner->select(
                    "SELECT setval(?, greatest((SELECT coalesce(max({$column}), 1) FROM {$table}), nextval(?)))",
                    [$sequence, $sequence],
                );
            }
        }

        // Words for finding follow from what is found by them.
        $owner->statement("INSERT INTO search_words SELECT DISTINCT brokerage_id, w
            FROM search_rows, unnest(string_to_array(words, ' ')) AS w
            WHERE length(w) > 3 ON CONFLICT DO NOTHING");

        return $rows;
    }

    private function table(Connection $owner, Tables $tables, string $table, string $path): int
    {
        $columns = implode(', ', array_map(static fn (string $name) => "\"{$name}\"", $tables->columns($table)));
        $in = is_file($path) ? fopen($path, 'r') : false;
        $count = 0;
        $rows = [];
        while ($in !== false && ($line = fgets($in)) !== false) {
            $rows[] = rtrim($line, "\n");
            $count++;
            if (count($rows) === self::AT_ONCE) {
                $this->insert($owner, $table, $columns, $rows);
                $rows = [];
            }
        }
        $rows === [] || $this->insert($owner, $table, $columns, $rows);
        $in === false || fclose($in);

        return $count;
    }

    /** @param  list<string>  $rows  each as JSON */
    private function insert(Connection $owner, string $table, string $columns, array $rows): void
    {
        $owner->insert(
            "INSERT INTO {$table} ({$columns}) OVERRIDING SYSTEM VALUE
                SELECT {$columns} FROM jsonb_populate_recordset(NULL::{$table}, ?::jsonb)",
            ['['.implode(',', $rows).']'],
        );
    }
}
