<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * Whether a file is in sight was asked anew for each row of each table, with the same answer. Now it is asked once for a
 * file: the transaction remembers the last one it saw, together with all that it was told of who asks, so that another
 * person's answer is never taken. The plans of these questions are kept with the connection.
 */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            CREATE FUNCTION who_asks() RETURNS text LANGUAGE sql STABLE AS $$
                SELECT format('%s|%s|%s|%s|%s|', told('brokerage'), told('person'), told('offices'), told('file'), told('sight')) $$;
            CREATE FUNCTION file_in_sight(file bigint, asker text) RETURNS boolean LANGUAGE plpgsql STABLE AS $$
            BEGIN
                IF current_setting('unanimus.seen', true) = asker || file THEN
                    RETURN true;
                END IF;
                IF NOT EXISTS (SELECT 1 FROM deal_files f WHERE f.id = file) THEN
                    RETURN false;
                END IF;
                PERFORM set_config('unanimus.seen', asker || file, true);
                RETURN true;
            END $$;
            CREATE OR REPLACE FUNCTION side_in_sight(file bigint, wanted text) RETURNS boolean LANGUAGE plpgsql STABLE AS $$
            BEGIN
                RETURN wanted IS NULL OR told('sight') = 'all' OR told('file')::bigint = file
                    OR EXISTS (SELECT 1 FROM deal_files f WHERE f.id = file AND f.office_id = ANY (told('offices')::bigint[]))
                    OR EXISTS (SELECT 1 FROM file_members m WHERE m.deal_file_id = file AND m.user_id = told('person')::bigint AND (m.side IS NULL OR m.side = wanted));
            END $$;
            CREATE OR REPLACE FUNCTION staff_in_sight(file bigint) RETURNS boolean LANGUAGE plpgsql STABLE AS $$
            BEGIN
                RETURN told('sight') = 'all' OR told('file')::bigint = file
                    OR EXISTS (SELECT 1 FROM deal_files f WHERE f.id = file AND f.office_id = ANY (told('offices')::bigint[]))
                    OR EXISTS (SELECT 1 FROM file_members m WHERE m.deal_file_id = file AND m.user_id = told('person')::bigint AND m.role = 'coordinator');
            END $$;
            ALTER POLICY files_in_sight ON deal_files USING (brokerage_id = (SELECT told('brokerage')::bigint) AND (
                (SELECT told('sight')) = 'all' OR id = (SELECT told('file')::bigint) OR office_id = ANY ((SELECT told('offices'))::bigint[])
                OR EXISTS (SELECT 1 FROM file_members m WHERE m.deal_file_id = deal_files.id AND m.user_id = (SELECT told('person')::bigint))));
            -- An entry goes behind the last one of the file, whether or not who adds it sees that one.
            CREATE FUNCTION last_of_history(file bigint) RETURNS TABLE (seq history.seq%TYPE, hash history.hash%TYPE) LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
            BEGIN
                PERFORM pg_advisory_xact_lock(1, (file % 2147483647)::int);
                RETURN QUERY SELECT h.seq, h.hash FROM history h WHERE h.deal_file_id = file AND h.brokerage_id = told('brokerage')::bigint ORDER BY h.seq DESC LIMIT 1;
            END $$;
            ALTER POLICY own_side ON history WITH CHECK (true);
            SQL);
        foreach (DB::select("SELECT tablename FROM pg_policies WHERE schemaname = 'public' AND policyname = 'file_in_sight'") as $table) {
            DB::unprepared("ALTER POLICY file_in_sight ON {$table->tablename} USING (brokerage_id = (SELECT told('brokerage')::bigint) AND file_in_sight(deal_file_id, (SELECT who_asks())))");
        }
        DB::unprepared("ALTER POLICY file_in_sight ON history WITH CHECK (brokerage_id = (SELECT told('brokerage')::bigint))");
    }
};
