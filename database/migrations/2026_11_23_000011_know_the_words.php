<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * What someone mistyped was compared with the words of every file that came near. Now it is compared with the words there
 * are, each once, and the files are looked for by the words that were meant. Nobody reads the list itself.
 */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            CREATE TABLE search_words (brokerage_id bigint NOT NULL REFERENCES brokerages, word text NOT NULL, PRIMARY KEY (brokerage_id, word));
            CREATE INDEX words_by_trigram ON search_words USING gin (word gin_trgm_ops);
            ALTER TABLE search_words ENABLE ROW LEVEL SECURITY;
            REVOKE ALL ON search_words FROM unanimus_app;
            CREATE FUNCTION know_the_words() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
            BEGIN
                -- In their order, so that two who bring the same new words do not wait for each other in a ring.
                INSERT INTO search_words SELECT DISTINCT NEW.brokerage_id, w FROM unnest(string_to_array(NEW.words, ' ')) AS w WHERE length(w) > 3 ORDER BY w ON CONFLICT DO NOTHING;
                RETURN NULL;
            END $$;
            CREATE TRIGGER words_are_known AFTER INSERT OR UPDATE OF words ON search_rows FOR EACH ROW EXECUTE FUNCTION know_the_words();
            INSERT INTO search_words SELECT DISTINCT brokerage_id, w FROM search_rows, unnest(string_to_array(words, ' ')) AS w WHERE length(w) > 3;
            CREATE OR REPLACE FUNCTION files_with_words_like(patterns text[], mistyped text[]) RETURNS SETOF bigint LANGUAGE sql STABLE SECURITY DEFINER ROWS 100 SET search_path = public SET pg_trgm.similarity_threshold = 0.42 AS $$
                WITH meant AS MATERIALIZED (
                    SELECT asked.n, array_agg(either.pattern) AS any_of FROM unnest(patterns, mistyped) WITH ORDINALITY AS asked (pattern, word, n)
                    CROSS JOIN LATERAL (
                        SELECT asked.pattern UNION SELECT '%' || s.word || '%' FROM search_words s WHERE asked.word <> '' AND s.brokerage_id = told('brokerage')::bigint AND s.word % asked.word
                    ) AS either GROUP BY asked.n)
                SELECT r.deal_file_id FROM search_rows r WHERE r.brokerage_id = told('brokerage')::bigint AND r.words LIKE ANY ((SELECT any_of FROM meant WHERE n = 1)::text[])
                    AND NOT EXISTS (SELECT 1 FROM meant m WHERE m.n > 1 AND NOT r.words LIKE ANY (m.any_of)) $$;
            -- Each file's page asks what follows on it.
            CREATE INDEX files_that_follow ON deal_files (follows_on) WHERE follows_on IS NOT NULL;
            SQL);
    }
};
