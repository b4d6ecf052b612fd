<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** What running forty files asks for: kits and rules, sides, tasks, offers, finding, the address book, imports, second factors. */
return new class extends Migration
{
    /** Rows that belong to one side of a file, or, with none, to both. */
    private const OF_SIDE = ['papers', 'requirements', 'rounds', 'history', 'commissions', 'party_contacts', 'tasks', 'facts'];

    /** Rows seen when the row they hang on is seen. */
    private const HANGING = [
        'paper_entries' => 'papers:paper_id', 'paper_values' => 'papers:paper_id', 'paper_versions' => 'papers:paper_id', 'remarks' => 'requirements:requirement_id',
        'round_papers' => 'rounds:round_id', 'signers' => 'rounds:round_id', 'marks' => 'rounds:round_id', 'round_events' => 'rounds:round_id', 'sealed_sets' => 'rounds:round_id',
    ];

    public function up(): void
    {
        $this->files();
        $this->desk();
        $this->office();
        $this->guard();
    }

    private function files(): void
    {
        DB::unprepared(<<<'SQL'
            ALTER TABLE deal_files ADD COLUMN follows_on bigint REFERENCES deal_files, ADD COLUMN ended_on date, ADD COLUMN end_reason text,
                ADD COLUMN labels text[] NOT NULL DEFAULT '{}', ADD COLUMN address_key text NOT NULL DEFAULT '', ADD COLUMN calendar_version smallint NOT NULL DEFAULT 1;
            CREATE INDEX files_by_address ON deal_files (brokerage_id, address_key) WHERE address_key <> '';
            CREATE TABLE file_kits (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                deal_file_id bigint NOT NULL REFERENCES deal_files,
                kit text NOT NULL,
                version integer NOT NULL DEFAULT 0,
                by_itself boolean NOT NULL DEFAULT false,
                applied_at timestamptz NOT NULL DEFAULT now(),
                CONSTRAINT kit_once_a_file UNIQUE (deal_file_id, kit)
            );
            INSERT INTO file_kits (brokerage_id, deal_file_id, kit) SELECT brokerage_id, id, kit FROM deal_files WHERE kit IS NOT NULL;
            ALTER TABLE deal_files DROP COLUMN kit;

            ALTER TABLE file_members ADD COLUMN side text CHECK (side IN ('buyer', 'seller', 'tenant', 'landlord')), ADD COLUMN joined_at timestamptz;
            ALTER TABLE facts ADD COLUMN side text;
            ALTER TABLE papers ADD COLUMN side text, ADD COLUMN called_by text NOT NULL DEFAULT '';
            ALTER TABLE requirements ADD COLUMN side text;
            ALTER TABLE rounds ADD COLUMN side text;
            ALTER TABLE history ADD COLUMN side text;
            ALTER TABLE commissions ADD COLUMN side text;
            ALTER TABLE commissions DROP CONSTRAINT one_commission_a_file;
            CREATE UNIQUE INDEX one_commission_a_side ON commissions (deal_file_id, coalesce(side, ''));

            ALTER TABLE parties ADD COLUMN kind text NOT NULL DEFAULT 'person' CHECK (kind IN ('person', 'entity', 'trust', 'estate')),
                ADD COLUMN signed_by text, ADD COLUMN capacity text, ADD COLUMN prints_contact boolean NOT NULL DEFAULT false;
            CREATE TABLE party_contacts (
                party_id bigint PRIMARY KEY REFERENCES parties ON DELETE CASCADE,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                deal_file_id bigint NOT NULL REFERENCES deal_files,
                side text,
                email text,
                phone text,
                address text
            );
            CREATE INDEX contacts_of_file ON party_contacts (deal_file_id);
            INSERT INTO party_contacts (party_id, brokerage_id, deal_file_id, side, email, phone)
                SELECT id, brokerage_id, deal_file_id, CASE WHEN role IN ('buyer', 'seller', 'tenant', 'landlord') THEN role END, email, phone FROM parties;
            ALTER TABLE parties DROP COLUMN email, DROP COLUMN phone;
            SQL);
    }

    private function desk(): void
    {
        DB::unprepared(<<<'SQL'
            CREATE TABLE tasks (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                key char(26) NOT NULL CONSTRAINT task_key_once UNIQUE,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                deal_file_id bigint NOT NULL REFERENCES deal_files,
                side text,
                title text NOT NULL,
                user_id bigint REFERENCES users,
                anchor text,
                days smallint NOT NULL DEFAULT 0,
                business boolean NOT NULL DEFAULT false,
                due date,
                origin text NOT NULL DEFAULT 'hand',
                done_at timestamptz,
                done_by bigint REFERENCES users,
                created_by bigint REFERENCES users,
                created_at timestamptz NOT NULL DEFAULT now(),
                updated_at timestamptz NOT NULL DEFAULT now()
            );
            CREATE INDEX tasks_of_file ON tasks (deal_file_id);
            CREATE INDEX tasks_open ON tasks (brokerage_id, user_id, due) WHERE done_at IS NULL;
            CREATE UNIQUE INDEX kit_task_once ON tasks (deal_file_id, origin, title) WHERE origin <> 'hand';
            CREATE TABLE offers (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                key char(26) NOT NULL CONSTRAINT offer_key_once UNIQUE,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                deal_file_id bigint NOT NULL REFERENCES deal_files,
                counters bigint REFERENCES offers,
                buyers text NOT NULL,
                agent text NOT NULL DEFAULT '',
                facts jsonb NOT NULL DEFAULT '{}',
                note text NOT NULL DEFAULT '',
                state text NOT NULL DEFAULT 'open' CHECK (state IN ('open', 'countered', 'chosen', 'declined')),
                created_at timestamptz NOT NULL DEFAULT now(),
                updated_at timestamptz NOT NULL DEFAULT now()
            );
            CREATE INDEX offers_of_file ON offers (deal_file_id);
            CREATE UNIQUE INDEX one_offer_is_chosen ON offers (deal_file_id) WHERE state = 'chosen';
            CREATE EXTENSION IF NOT EXISTS pg_trgm;
            CREATE TABLE search_rows (
                deal_file_id bigint PRIMARY KEY REFERENCES deal_files,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                words text NOT NULL
            );
            CREATE INDEX search_by_trigram ON search_rows USING gin (words gin_trgm_ops);
            CREATE TABLE saved_views (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                key char(26) NOT NULL CONSTRAINT view_key_once UNIQUE,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                user_id bigint NOT NULL REFERENCES users,
                name text NOT NULL,
                query text NOT NULL,
                columns text NOT NULL DEFAULT '',
                shared boolean NOT NULL DEFAULT false,
                created_at timestamptz NOT NULL DEFAULT now(),
                CONSTRAINT one_view_a_name UNIQUE (user_id, name)
            );
            CREATE TABLE imports (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                key char(26) NOT NULL CONSTRAINT import_key_once UNIQUE,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                office_id bigint NOT NULL REFERENCES offices,
                user_id bigint NOT NULL REFERENCES users,
                name text NOT NULL,
                sha256 char(64) NOT NULL,
                columns jsonb NOT NULL,
                matched jsonb NOT NULL,
                state text NOT NULL DEFAULT 'matching' CHECK (state IN ('matching', 'tried', 'running', 'done')),
                created_at timestamptz NOT NULL DEFAULT now(),
                updated_at timestamptz NOT NULL DEFAULT now()
            );
            CREATE TABLE import_rows (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                import_id bigint NOT NULL REFERENCES imports,
                number integer NOT NULL,
                cells jsonb NOT NULL,
                outcome text NOT NULL DEFAULT 'waiting' CHECK (outcome IN ('waiting', 'fit', 'unfit', 'twin', 'opened')),
                told text NOT NULL DEFAULT '',
                deal_file_id bigint REFERENCES deal_files,
                CONSTRAINT import_row_once UNIQUE (import_id, number)
            );
            CREATE TABLE column_matches (
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                heading text NOT NULL,
                fact text NOT NULL,
                PRIMARY KEY (brokerage_id, heading)
            );
            SQL);
    }

    private function office(): void
    {
        DB::unprepared(<<<'SQL'
            CREATE TABLE kits (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                key char(26) NOT NULL CONSTRAINT kit_key_once UNIQUE,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                office_id bigint REFERENCES offices,
                user_id bigint REFERENCES users,
                name text NOT NULL,
                version integer NOT NULL DEFAULT 1,
                retired boolean NOT NULL DEFAULT false,
                created_at timestamptz NOT NULL DEFAULT now(),
                updated_at timestamptz NOT NULL DEFAULT now()
            );
            CREATE TABLE kit_versions (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                kit_id bigint NOT NULL REFERENCES kits,
                version integer NOT NULL,
                definition jsonb NOT NULL,
                user_id bigint REFERENCES users,
                made_at timestamptz NOT NULL DEFAULT now(),
                CONSTRAINT kit_version_once UNIQUE (kit_id, version)
            );
            CREATE TABLE house_rules (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                key char(26) NOT NULL CONSTRAINT rule_key_once UNIQUE,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                position integer NOT NULL,
                definition jsonb NOT NULL,
                active boolean NOT NULL DEFAULT true,
                user_id bigint REFERENCES users,
                created_at timestamptz NOT NULL DEFAULT now(),
                updated_at timestamptz NOT NULL DEFAULT now()
            );
            CREATE TABLE contacts (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                key char(26) NOT NULL CONSTRAINT contact_key_once UNIQUE,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                user_id bigint REFERENCES users,
                role text NOT NULL DEFAULT 'other',
                name text NOT NULL,
                firm text,
                email text,
                phone text,
                address text,
                standing boolean NOT NULL DEFAULT false,
                used_at timestamptz NOT NULL DEFAULT now(),
                created_at timestamptz NOT NULL DEFAULT now(),
                updated_at timestamptz NOT NULL DEFAULT now()
            );
            CREATE UNIQUE INDEX contact_once ON contacts (brokerage_id, coalesce(user_id, 0), lower(name), lower(coalesce(email, '')));
            ALTER TABLE users ADD COLUMN second_factor text, ADD COLUMN second_factor_at timestamptz, ADD COLUMN second_factor_step bigint, ADD COLUMN recovery_codes jsonb NOT NULL DEFAULT '[]',
                ADD COLUMN calendar_version smallint NOT NULL DEFAULT 1, ADD COLUMN invited_at timestamptz;
            CREATE OR REPLACE FUNCTION user_by_id(wanted bigint) RETURNS SETOF users LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public
                AS $$ SELECT * FROM users WHERE id = wanted AND active $$;
            CREATE OR REPLACE FUNCTION user_by_address(wanted text) RETURNS SETOF users LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public
                AS $$ SELECT * FROM users WHERE lower(email) = lower(wanted) AND active $$;
            -- A calendar's address leads to one person or file; its keyed hash is checked before anything is read.
            CREATE FUNCTION user_by_key(wanted text) RETURNS SETOF users LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public
                AS $$ SELECT * FROM users WHERE key = wanted AND active $$;
            CREATE FUNCTION file_by_key(wanted text) RETURNS TABLE (file_id bigint, brokerage_id bigint, calendar_version smallint) LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public
                AS $$ SELECT id, brokerage_id, calendar_version FROM deal_files WHERE key = wanted $$;
            -- Whether the house has the same listing or address already: enough to warn, nothing of the deal itself.
            CREATE FUNCTION twins_of(house bigint, number text, address text, own bigint) RETURNS TABLE (file_id bigint, key text, side text, status text, office text, agent text)
                LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS $$
                SELECT f.id, f.key::text, f.side, f.status, o.name, (SELECT u.name FROM file_members m JOIN users u ON u.id = m.user_id WHERE m.deal_file_id = f.id AND m.role = 'agent' ORDER BY m.id LIMIT 1)
                FROM deal_files f JOIN offices o ON o.id = f.office_id
                WHERE f.brokerage_id = house AND house = told('brokerage')::bigint AND f.id <> own AND f.status IN ('preparing', 'active', 'under_contract')
                  AND ((number <> '' AND f.listing_number = number) OR (address <> '' AND f.address_key = address))
                ORDER BY f.id LIMIT 5 $$;
            -- Words are looked for before sight is asked, as only so their index serves; what comes out are bare numbers of files.
            CREATE FUNCTION files_with_word(pattern text, mistyped text) RETURNS SETOF bigint LANGUAGE sql STABLE SECURITY DEFINER ROWS 200 SET search_path = public SET pg_trgm.strict_word_similarity_threshold = 0.42 AS $$
                SELECT deal_file_id FROM search_rows WHERE brokerage_id = told('brokerage')::bigint AND words LIKE pattern
                UNION SELECT deal_file_id FROM search_rows WHERE mistyped IS NOT NULL AND brokerage_id = told('brokerage')::bigint AND mistyped <<% words $$;
            CREATE FUNCTION marks_of_house(house bigint) RETURNS SETOF text LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS $$
                SELECT 'n:' || upper(listing_number) FROM deal_files WHERE brokerage_id = house AND house = told('brokerage')::bigint AND listing_number IS NOT NULL AND status IN ('preparing', 'active', 'under_contract')
                UNION SELECT 'a:' || address_key FROM deal_files WHERE brokerage_id = house AND house = told('brokerage')::bigint AND address_key <> '' AND status IN ('preparing', 'active', 'under_contract') $$;
            SQL);
    }

    private function guard(): void
    {
        DB::unprepared(<<<'SQL'
            GRANT SELECT, INSERT, UPDATE, DELETE ON ALL TABLES IN SCHEMA public TO unanimus_app;
            REVOKE ALL ON migrations FROM unanimus_app;
            REVOKE UPDATE, DELETE ON history, round_events, paper_entries, blobs, sealed_sets, paper_versions, kit_versions FROM unanimus_app;
            REVOKE DELETE ON deal_files, users, brokerages, offices, papers, letters, inbound_items, offers, imports, kits FROM unanimus_app;
            GRANT USAGE ON ALL SEQUENCES IN SCHEMA public TO unanimus_app;

            CREATE FUNCTION side_in_sight(file bigint, wanted text) RETURNS boolean LANGUAGE sql STABLE AS $$
                SELECT wanted IS NULL OR told('sight') = 'all' OR told('file')::bigint = file
                    OR EXISTS (SELECT 1 FROM deal_files f WHERE f.id = file AND f.office_id = ANY (told('offices')::bigint[]))
                    OR EXISTS (SELECT 1 FROM file_members m WHERE m.deal_file_id = file AND m.user_id = told('person')::bigint AND (m.side IS NULL OR m.side = wanted))
            $$;
            SQL);
        foreach (['file_kits', 'party_contacts', 'tasks', 'offers', 'search_rows'] as $table) {
            DB::unprepared("ALTER TABLE {$table} ENABLE ROW LEVEL SECURITY;
                CREATE POLICY file_in_sight ON {$table} USING (brokerage_id = (SELECT told('brokerage')::bigint) AND EXISTS (SELECT 1 FROM deal_files f WHERE f.id = {$table}.deal_file_id))");
        }
        foreach (self::OF_SIDE as $table) {
            DB::unprepared("CREATE POLICY own_side ON {$table} AS RESTRICTIVE USING (side IS NULL OR side_in_sight(deal_file_id, side))");
        }
        DB::unprepared(<<<'SQL'
            CREATE POLICY own_side ON offers AS RESTRICTIVE USING (side_in_sight(deal_file_id, 'seller'));
            -- Who joins for the other side later does not read what was done before that.
            CREATE POLICY since_joined ON history AS RESTRICTIVE FOR SELECT USING (
                (SELECT told('sight')) = 'all' OR (SELECT told('file')::bigint) = deal_file_id
                OR NOT EXISTS (SELECT 1 FROM file_members m WHERE m.deal_file_id = history.deal_file_id AND m.user_id = (SELECT told('person')::bigint) AND m.joined_at > history.at)
            );
            SQL);
        foreach (self::HANGING as $table => $on) {
            [$parent, $column] = explode(':', $on);
            DB::unprepared("DROP POLICY file_in_sight ON {$table};
                CREATE POLICY {$parent}_in_sight ON {$table} USING (brokerage_id = (SELECT told('brokerage')::bigint) AND EXISTS (SELECT 1 FROM {$parent} p WHERE p.id = {$table}.{$column}))");
        }
        foreach (['house_rules', 'kit_versions', 'imports', 'import_rows', 'column_matches'] as $table) {
            DB::unprepared("ALTER TABLE {$table} ENABLE ROW LEVEL SECURITY;
                CREATE POLICY own_brokerage ON {$table} USING (brokerage_id = (SELECT told('brokerage')::bigint))");
        }
        foreach (['kits' => 'true', 'contacts' => 'true', 'saved_views' => 'shared'] as $table => $common) {
            $common = $common === 'true' ? 'user_id IS NULL' : 'shared';
            DB::unprepared("ALTER TABLE {$table} ENABLE ROW LEVEL SECURITY;
                CREATE POLICY own_or_common ON {$table} USING (brokerage_id = (SELECT told('brokerage')::bigint) AND ({$common} OR user_id = (SELECT told('person')::bigint) OR (SELECT told('sight')) = 'all'))");
        }
    }

    public function down(): void
    {
        throw new RuntimeException('This step is not taken back: restore the backup made before it.');
    }
};
