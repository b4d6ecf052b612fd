<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * Row-level security. Each transaction says for whom it works (unanimus.brokerage, unanimus.person, unanimus.offices,
 * unanimus.file, unanimus.sight); without that nothing is seen. The application's role owns nothing and cannot bypass it.
 */
return new class extends Migration
{
    private const OF_FILE = [
        'facts', 'parties', 'history', 'papers', 'paper_entries', 'paper_values', 'paper_versions', 'requirements', 'remarks', 'commissions',
        'rounds', 'round_papers', 'signers', 'marks', 'round_events', 'sealed_sets',
    ];

    private const OF_BROKERAGE = ['offices', 'office_roles', 'blobs', 'letters', 'inbound_items', 'file_members'];

    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            CREATE FUNCTION told(name text) RETURNS text LANGUAGE sql STABLE AS $$ SELECT nullif(current_setting('unanimus.' || name, true), '') $$;

            GRANT USAGE ON SCHEMA public TO unanimus_app;
            GRANT SELECT, INSERT, UPDATE, DELETE ON ALL TABLES IN SCHEMA public TO unanimus_app;
            REVOKE ALL ON migrations FROM unanimus_app;
            REVOKE UPDATE, DELETE ON history, round_events, paper_entries, blobs, sealed_sets, paper_versions FROM unanimus_app;
            REVOKE DELETE ON deal_files, users, brokerages, offices, papers, letters, inbound_items FROM unanimus_app;
            GRANT USAGE ON ALL SEQUENCES IN SCHEMA public TO unanimus_app;

            ALTER TABLE brokerages ENABLE ROW LEVEL SECURITY;
            CREATE POLICY own_brokerage ON brokerages USING (id = (SELECT told('brokerage')::bigint));
            ALTER TABLE users ENABLE ROW LEVEL SECURITY;
            CREATE POLICY colleagues ON users USING (brokerage_id = (SELECT told('brokerage')::bigint));

            -- Before anyone is signed in, one row is found by its id or address, nothing else.
            CREATE FUNCTION user_by_id(wanted bigint) RETURNS SETOF users LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public
                AS $$ SELECT * FROM users WHERE id = wanted AND active $$;
            CREATE FUNCTION user_by_address(wanted text) RETURNS SETOF users LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public
                AS $$ SELECT * FROM users WHERE lower(email) = lower(wanted) AND active $$;
            -- A signer's link leads to one signer; its keyed hash is checked before anything is read.
            CREATE FUNCTION signer_of_link(wanted text) RETURNS TABLE (signer_id bigint, brokerage_id bigint, deal_file_id bigint, link_version smallint) LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public
                AS $$ SELECT s.id, s.brokerage_id, s.deal_file_id, s.link_version FROM signers s WHERE s.key = wanted $$;
            CREATE FUNCTION brokerages_at_work() RETURNS SETOF bigint LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public
                AS $$ SELECT id FROM brokerages ORDER BY id $$;

            ALTER TABLE deal_files ENABLE ROW LEVEL SECURITY;
            CREATE POLICY files_in_sight ON deal_files USING (
                brokerage_id = (SELECT told('brokerage')::bigint) AND (
                    (SELECT told('sight')) = 'all'
                    OR id = (SELECT told('file')::bigint)
                    OR office_id = ANY ((SELECT told('offices'))::bigint[])
                    OR id IN (SELECT m.deal_file_id FROM file_members m WHERE m.user_id = (SELECT told('person')::bigint))
                )
            ) WITH CHECK (brokerage_id = (SELECT told('brokerage')::bigint));
            SQL);
        foreach (self::OF_BROKERAGE as $table) {
            DB::unprepared("ALTER TABLE {$table} ENABLE ROW LEVEL SECURITY;
                CREATE POLICY own_brokerage ON {$table} USING (brokerage_id = (SELECT told('brokerage')::bigint))");
        }
        foreach (self::OF_FILE as $table) {
            DB::unprepared("ALTER TABLE {$table} ENABLE ROW LEVEL SECURITY;
                CREATE POLICY file_in_sight ON {$table} USING (
                    brokerage_id = (SELECT told('brokerage')::bigint)
                    AND EXISTS (SELECT 1 FROM deal_files f WHERE f.id = {$table}.deal_file_id)
                )");
        }
    }

    public function down(): void
    {
        foreach ([...self::OF_FILE, ...self::OF_BROKERAGE, 'deal_files', 'users', 'brokerages'] as $table) {
            DB::unprepared("ALTER TABLE {$table} DISABLE ROW LEVEL SECURITY");
            DB::unprepared("DROP POLICY IF EXISTS file_in_sight ON {$table}; DROP POLICY IF EXISTS own_brokerage ON {$table}; DROP POLICY IF EXISTS colleagues ON {$table}; DROP POLICY IF EXISTS files_in_sight ON {$table}");
        }
        DB::unprepared('DROP FUNCTION user_by_id(bigint), user_by_address(text), signer_of_link(text), brokerages_at_work(), told(text)');
    }
};
