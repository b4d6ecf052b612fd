<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * Whether a row's file is in sight is asked row by row, by the file's key: left to itself the planner reads every file of
 * the house first to answer for a handful of rows. OFFSET 0 keeps it from doing so. The words of a search are looked for
 * together, so that only files with all of them are asked about.
 */
return new class extends Migration
{
    public function up(): void
    {
        foreach (DB::select("SELECT tablename, policyname, qual FROM pg_policies WHERE schemaname = 'public' AND qual ~ 'EXISTS'") as $policy) {
            $qual = (string) preg_replace('/(\( SELECT 1\s+FROM \w+ \w+\s+WHERE \(\w+\.id = \w+\.\w+\))\)/', '$1 OFFSET 0)', $policy->qual);
            $qual === $policy->qual || DB::unprepared("ALTER POLICY {$policy->policyname} ON {$policy->tablename} USING ({$qual})");
        }
        DB::unprepared("CREATE INDEX IF NOT EXISTS files_still_open ON deal_files (brokerage_id, id) WHERE status IN ('preparing', 'active', 'under_contract')");
        // All words of a search at once: the longest goes through the index, the rest is asked of what it leaves.
        DB::unprepared(<<<'SQL'
            CREATE OR REPLACE FUNCTION files_with_words(patterns text[]) RETURNS SETOF bigint LANGUAGE sql STABLE SECURITY DEFINER ROWS 100 SET search_path = public AS $$
                SELECT deal_file_id FROM search_rows WHERE brokerage_id = told('brokerage')::bigint AND words LIKE patterns[1] AND words LIKE ALL (patterns) $$;
            CREATE OR REPLACE FUNCTION files_with_words_like(patterns text[], mistyped text[]) RETURNS SETOF bigint LANGUAGE sql STABLE SECURITY DEFINER ROWS 100 SET search_path = public SET pg_trgm.strict_word_similarity_threshold = 0.42 AS $$
                SELECT deal_file_id FROM (
                    SELECT deal_file_id, words FROM search_rows WHERE brokerage_id = told('brokerage')::bigint AND words LIKE patterns[1]
                    UNION SELECT deal_file_id, words FROM search_rows WHERE mistyped[1] <> '' AND brokerage_id = told('brokerage')::bigint AND mistyped[1] <<% words) AS near
                WHERE NOT EXISTS (SELECT 1 FROM unnest(patterns[2:], mistyped[2:]) AS w (pattern, word) WHERE NOT (near.words LIKE w.pattern OR (w.word <> '' AND w.word <<% near.words))) $$;
            DROP FUNCTION IF EXISTS files_with_word(text, text);
            SQL);
    }
};
