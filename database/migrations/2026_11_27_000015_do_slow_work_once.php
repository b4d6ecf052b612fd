<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * Slow work is done once for its thing, and says why it waits. Letters hold what a link is made from, never the link. Each
 * brokerage has its own letter box and sender. Whoever wants to join a file asks. An upload has a key, so that it is one
 * however often it is sent; a signed file's original is kept beside the copy that is shown.
 */
return new class extends Migration
{
    public function up(): void
    {
        $this->guardOffices();
        DB::unprepared(<<<'SQL'
            CREATE TABLE pending_work (
                kind text NOT NULL,
                thing bigint NOT NULL,
                job text NOT NULL,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                tries integer NOT NULL DEFAULT 0,
                fault text,
                stopped boolean NOT NULL DEFAULT false,
                next_try_at timestamptz,
                claimed_until timestamptz NOT NULL,
                begun_at timestamptz NOT NULL DEFAULT clock_timestamp(),
                PRIMARY KEY (kind, thing)
            );
            CREATE INDEX work_left_behind ON pending_work (brokerage_id, claimed_until) WHERE NOT stopped;
            ALTER TABLE pending_work ENABLE ROW LEVEL SECURITY;
            CREATE POLICY own_brokerage ON pending_work USING (brokerage_id = (SELECT told('brokerage')::bigint));
            GRANT SELECT, INSERT, UPDATE, DELETE ON pending_work TO unanimus_app;
            CREATE TABLE service_breakers (
                name text PRIMARY KEY,
                fails integer NOT NULL DEFAULT 0,
                fault text,
                open_until timestamptz
            );
            GRANT SELECT, INSERT, UPDATE ON service_breakers TO unanimus_app;
            -- What stands still, over all brokerages and without saying whose: for the answer to whether all is well.
            CREATE FUNCTION work_waiting() RETURNS TABLE (kind text, waiting bigint, fault text, next_try_at timestamptz) LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS $$
                SELECT w.kind, count(*), min(w.fault), min(w.next_try_at) FROM pending_work w WHERE w.fault IS NOT NULL GROUP BY w.kind ORDER BY w.kind $$;

            CREATE TABLE remembered_devices (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                key char(26) NOT NULL CONSTRAINT device_key_once UNIQUE,
                user_id bigint NOT NULL REFERENCES users,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                token_hash char(64) NOT NULL CONSTRAINT device_token_once UNIQUE,
                device text NOT NULL DEFAULT '',
                address text NOT NULL DEFAULT '',
                used_at timestamptz NOT NULL DEFAULT clock_timestamp(),
                expires_at timestamptz NOT NULL
            );
            CREATE INDEX devices_of_user ON remembered_devices (user_id);
            ALTER TABLE remembered_devices ENABLE ROW LEVEL SECURITY;
            CREATE POLICY own_devices ON remembered_devices USING (user_id = (SELECT told('person')::bigint) OR (SELECT told('sight')) = 'all'
                OR person_holds('{administrator,broker}', NULL) AND brokerage_id = (SELECT told('brokerage')::bigint));
            GRANT SELECT, INSERT, UPDATE, DELETE ON remembered_devices TO unanimus_app;
            -- Before anyone is signed in, a device is known by its token, and the look notes that it was used.
            CREATE FUNCTION device_is_remembered(person bigint, hashed text) RETURNS boolean LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
            BEGIN
                UPDATE remembered_devices d SET used_at = clock_timestamp() WHERE d.user_id = person AND d.token_hash = hashed AND d.expires_at > clock_timestamp();
                RETURN FOUND;
            END $$;
            ALTER TABLE users ADD COLUMN invited_email text;

            ALTER TABLE letters ADD COLUMN action text;
            UPDATE letters SET action = regexp_replace(action_url, '^https?://[^/]+', '') WHERE action_url IS NOT NULL AND action_url !~ '/(sign|fill|read|invitation)/';
            ALTER TABLE letters DROP COLUMN action_url;

            ALTER TABLE brokerages ADD COLUMN sender_name text, ADD COLUMN sender_address text, ADD COLUMN intake_hash char(64);
            CREATE UNIQUE INDEX one_letter_box_a_token ON brokerages (intake_hash) WHERE intake_hash IS NOT NULL;
            CREATE FUNCTION brokerage_of_letter_box(wanted text) RETURNS bigint LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public
                AS $$ SELECT id FROM brokerages WHERE intake_hash = wanted $$;

            CREATE TABLE join_requests (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                key char(26) NOT NULL CONSTRAINT join_request_key_once UNIQUE,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                deal_file_id bigint NOT NULL REFERENCES deal_files,
                user_id bigint NOT NULL REFERENCES users,
                from_file_id bigint REFERENCES deal_files,
                state text NOT NULL DEFAULT 'asked' CHECK (state IN ('asked', 'granted', 'refused')),
                decided_by bigint REFERENCES users,
                decided_at timestamptz,
                created_at timestamptz NOT NULL DEFAULT clock_timestamp()
            );
            CREATE UNIQUE INDEX one_open_request_a_person ON join_requests (deal_file_id, user_id) WHERE state = 'asked';
            ALTER TABLE join_requests ENABLE ROW LEVEL SECURITY;
            CREATE POLICY own_or_asked ON join_requests USING (brokerage_id = (SELECT told('brokerage')::bigint)
                AND (user_id = (SELECT told('person')::bigint) OR (SELECT told('sight')) = 'all' OR file_in_sight(deal_file_id, (SELECT who_asks()))));
            GRANT SELECT, INSERT, UPDATE ON join_requests TO unanimus_app;

            ALTER TABLE paper_versions ADD COLUMN original_sha256 char(64);
            CREATE TABLE uploads (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                key text NOT NULL,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                deal_file_id bigint NOT NULL REFERENCES deal_files,
                user_id bigint REFERENCES users,
                placeholder_id bigint REFERENCES papers,
                paper_id bigint REFERENCES papers,
                name text NOT NULL,
                sha256 char(64) NOT NULL,
                stage text NOT NULL DEFAULT 'contract',
                state text NOT NULL DEFAULT 'working' CHECK (state IN ('working', 'done', 'refused')),
                told text NOT NULL DEFAULT '',
                seen boolean NOT NULL DEFAULT false,
                created_at timestamptz NOT NULL DEFAULT clock_timestamp(),
                CONSTRAINT upload_once UNIQUE (deal_file_id, key)
            );
            ALTER TABLE uploads ENABLE ROW LEVEL SECURITY;
            CREATE POLICY file_in_sight ON uploads USING (brokerage_id = (SELECT told('brokerage')::bigint) AND file_in_sight(deal_file_id, (SELECT who_asks())));
            GRANT SELECT, INSERT, UPDATE ON uploads TO unanimus_app;
            GRANT USAGE ON ALL SEQUENCES IN SCHEMA public TO unanimus_app;

            -- In a lease the offers are the landlord's own.
            ALTER POLICY own_side ON offers USING (side_in_sight(deal_file_id, CASE WHEN (SELECT f.kind FROM deal_files f WHERE f.id = offers.deal_file_id) = 'lease' THEN 'landlord' ELSE 'seller' END));
            SQL);
    }

    /** Who runs what is asked by the database too, not by the application alone. */
    private function guardOffices(): void
    {
        DB::unprepared(<<<'SQL'
            CREATE FUNCTION person_holds(wanted text[], office bigint) RETURNS boolean LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS $$
                SELECT coalesce(told('sight') = 'all', false) OR EXISTS (
                    SELECT 1 FROM office_roles r JOIN users u ON u.id = r.user_id
                    WHERE r.user_id = told('person')::bigint AND r.brokerage_id = told('brokerage')::bigint AND u.active AND r.role = ANY (wanted) AND (office IS NULL OR r.office_id = office)
                ) $$;
            -- Brokers give roles in their own offices, but only an administrator makes brokers and administrators.
            CREATE POLICY who_runs_the_office ON office_roles AS RESTRICTIVE FOR INSERT WITH CHECK (
                person_holds('{administrator}', office_id) OR (role NOT IN ('broker', 'administrator') AND person_holds('{broker}', office_id))
                -- Whoever opens an office administers it.
                OR (role = 'administrator' AND user_id = told('person')::bigint AND person_holds('{administrator}', NULL)));
            CREATE POLICY who_runs_the_office_changes ON office_roles AS RESTRICTIVE FOR UPDATE USING (person_holds('{administrator}', office_id));
            CREATE POLICY who_runs_the_office_takes ON office_roles AS RESTRICTIVE FOR DELETE USING (
                person_holds('{administrator}', office_id) OR (role NOT IN ('broker', 'administrator') AND person_holds('{broker}', office_id)));
            CREATE POLICY administrators_open ON offices AS RESTRICTIVE FOR INSERT WITH CHECK (person_holds('{administrator}', NULL));
            CREATE POLICY who_runs_changes ON offices AS RESTRICTIVE FOR UPDATE USING (person_holds('{administrator,broker}', id));
            CREATE POLICY who_makes_forms ON own_forms AS RESTRICTIVE FOR INSERT WITH CHECK (person_holds('{broker,administrator,coordinator}', NULL));
            CREATE POLICY who_changes_forms ON own_forms AS RESTRICTIVE FOR UPDATE USING (person_holds('{broker,administrator,coordinator}', NULL));
            CREATE POLICY who_drops_forms ON own_forms AS RESTRICTIVE FOR DELETE USING (person_holds('{broker,administrator,coordinator}', NULL));
            CREATE POLICY who_makes_rules ON house_rules AS RESTRICTIVE FOR INSERT WITH CHECK (person_holds('{broker,administrator}', NULL));
            CREATE POLICY who_changes_rules ON house_rules AS RESTRICTIVE FOR UPDATE USING (person_holds('{broker,administrator}', NULL));
            CREATE POLICY who_drops_rules ON house_rules AS RESTRICTIVE FOR DELETE USING (person_holds('{broker,administrator}', NULL));
            -- People change themselves; others are changed by those who run an office they belong to.
            CREATE POLICY who_changes_people ON users AS RESTRICTIVE FOR UPDATE USING (
                id = told('person')::bigint OR person_holds('{administrator,broker}', NULL) OR told('person') IS NULL);
            CREATE POLICY who_invites ON users AS RESTRICTIVE FOR INSERT WITH CHECK (person_holds('{administrator,broker}', NULL));
            SQL);
    }
};
