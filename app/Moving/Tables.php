<?php

declare(strict_types=1);

namespace App\Moving;

use Illuminate\Database\Connection;

/** The tables of a brokerage, as the database itself knows them: nothing is left out because somebody forgot to list it. */
final readonly class Tables
{
    /** What only a running installation needs: work under way there, machines that people signed in on, and what follows from rows. */
    private const LEFT = ['desk_steps', 'pending_work', 'remembered_devices', 'search_words'];

    public function __construct(private Connection $database)
    {
    }

    /** @return list<string> in the order of their names */
    public function all(): array
    {
        // From the catalog itself: a table that may not be read is an error, and not left out.
        $names = array_column($this->database->select(
            "SELECT c.relname FROM pg_class c JOIN pg_attribute a ON a.attrelid = c.oid
                WHERE c.relkind = 'r' AND c.relnamespace = 'public'::regnamespace AND a.attname = 'brokerage_id' AND NOT a.attisdropped
                ORDER BY c.relname",
        ), 'relname');

        return ['brokerages', ...array_values(array_diff($names, self::LEFT))];
    }

    /** By which rows of a table are a brokerage's. */
    public function of(string $table): string
    {
        return $table === 'brokerages' ? 'id' : 'brokerage_id';
    }

    /** How its rows are put in order, the same every time. */
    public function order(string $table): string
    {
        $key = array_column($this->database->select(
            'SELECT a.attname FROM pg_index i JOIN pg_attribute a ON a.attrelid = i.indrelid AND a.attnum = ANY (i.indkey)
                WHERE i.indrelid = ?::regclass AND i.indisprimary ORDER BY array_position(i.indkey::int[], a.attnum::int)',
            [$table],
        ), 'attname');

        return $key === [] ? 'to_jsonb(t)::text' : implode(', ', array_map(static fn (string $name) => "t.{$name}", $key));
    }

    /** @return list<string> columns, in their order */
    public function columns(string $table): array
    {
        return array_column($this->described($table), 'attname');
    }

    /** What tables and columns there are, as one word: another installation has them all alike, or is of another version. */
    public function version(): string
    {
        $all = array_map(fn (string $table) => [$table, array_map(
            static fn (object $column) => [$column->attname, $column->type],
            $this->described($table),
        )], $this->all());

        return hash('sha256', json_encode($all, JSON_THROW_ON_ERROR));
    }

    /** @return list<object> name and type of each column */
    private function described(string $table): array
    {
        return $this->database->select(
            'SELECT attname, format_type(atttypid, atttypmod) AS type FROM pg_attribute
                WHERE attrelid = ?::regclass AND attnum > 0 AND NOT attisdropped ORDER BY attname',
            [$table],
        );
    }
}
