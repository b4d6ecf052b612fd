<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * What belongs to a paper, a round or a requirement is seen by whoever sees that. As with files, the transaction remembers
 * the last one it was asked about, together with who asks.
 */
return new class extends Migration
{
    public function up(): void
    {
        foreach (['papers' => 'paper', 'rounds' => 'round', 'requirements' => 'requirement'] as $table => $one) {
            DB::unprepared(<<<SQL
                CREATE FUNCTION {$one}_in_sight(wanted bigint, asker text) RETURNS boolean LANGUAGE plpgsql STABLE AS \$\$
                BEGIN
                    IF current_setting('unanimus.seen_{$one}', true) = asker || wanted THEN
                        RETURN true;
                    END IF;
                    IF NOT EXISTS (SELECT 1 FROM {$table} p WHERE p.id = wanted) THEN
                        RETURN false;
                    END IF;
                    PERFORM set_config('unanimus.seen_{$one}', asker || wanted, true);
                    RETURN true;
                END \$\$;
                SQL);
            foreach (DB::select('SELECT tablename FROM pg_policies WHERE schemaname = ? AND policyname = ?', ['public', "{$table}_in_sight"]) as $part) {
                DB::unprepared("ALTER POLICY {$table}_in_sight ON {$part->tablename} USING (brokerage_id = (SELECT told('brokerage')::bigint) AND {$one}_in_sight({$one}_id, (SELECT who_asks())))");
            }
        }
        DB::unprepared('CREATE INDEX rounds_of_paper ON round_papers (paper_id); CREATE INDEX asked_of_paper ON fill_request_papers (paper_id)');
    }
};
