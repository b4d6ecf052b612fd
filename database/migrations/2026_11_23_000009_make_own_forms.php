<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Forms of a house's own, what is written over pages, papers for the office alone, assembled sets and reading copies. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            CREATE TABLE own_forms (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                key char(26) NOT NULL CONSTRAINT own_form_key_once UNIQUE,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                number text NOT NULL DEFAULT '',
                revision text NOT NULL DEFAULT '',
                title text NOT NULL,
                stage text NOT NULL,
                status text NOT NULL CHECK (status IN ('making', 'in_force', 'superseded', 'retired', 'dropped')),
                sha256 char(64) NOT NULL,
                pages jsonb NOT NULL,
                items jsonb NOT NULL,
                source text NOT NULL DEFAULT '',
                notes jsonb NOT NULL DEFAULT '[]',
                user_id bigint NOT NULL REFERENCES users,
                published_at timestamptz,
                created_at timestamptz NOT NULL DEFAULT now(),
                updated_at timestamptz NOT NULL DEFAULT now()
            );
            CREATE UNIQUE INDEX one_form_in_force ON own_forms (brokerage_id, number) WHERE status IN ('in_force', 'retired');
            CREATE UNIQUE INDEX one_form_a_revision ON own_forms (brokerage_id, number, revision) WHERE status IN ('in_force', 'superseded', 'retired');
            -- Each change of a form in the making, so that none is lost and the last can be taken back.
            CREATE TABLE own_form_changes (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                own_form_id bigint NOT NULL REFERENCES own_forms,
                change jsonb NOT NULL,
                client_key text NOT NULL,
                user_id bigint NOT NULL REFERENCES users,
                at timestamptz NOT NULL DEFAULT now(),
                CONSTRAINT form_change_once UNIQUE (own_form_id, client_key)
            );
            ALTER TABLE own_forms ENABLE ROW LEVEL SECURITY;
            CREATE POLICY own_brokerage ON own_forms USING (brokerage_id = (SELECT told('brokerage')::bigint));
            ALTER TABLE own_form_changes ENABLE ROW LEVEL SECURITY;
            CREATE POLICY own_brokerage ON own_form_changes USING (brokerage_id = (SELECT told('brokerage')::bigint));
            GRANT SELECT, INSERT, UPDATE ON own_forms TO unanimus_app;
            GRANT SELECT, INSERT ON own_form_changes TO unanimus_app;
            -- A paper that goes over to another revision of its form is asked for under the names of that one.
            GRANT UPDATE (blanks) ON fill_request_papers TO unanimus_app;

            -- What is written over the pages of a paper. A piece is never changed: another stands for it, or it is taken off.
            CREATE TABLE paper_pieces (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                key char(26) NOT NULL CONSTRAINT piece_key_once UNIQUE,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                deal_file_id bigint NOT NULL REFERENCES deal_files,
                paper_id bigint NOT NULL REFERENCES papers,
                version smallint NOT NULL,
                page smallint NOT NULL CHECK (page > 0),
                kind text NOT NULL CHECK (kind IN ('text', 'tick', 'date', 'line', 'cover')),
                places jsonb NOT NULL,
                text text NOT NULL DEFAULT '',
                replaces bigint REFERENCES paper_pieces,
                client_key text NOT NULL,
                user_id bigint REFERENCES users,
                at timestamptz NOT NULL DEFAULT now(),
                gone_at timestamptz,
                gone_by bigint REFERENCES users,
                CONSTRAINT piece_once UNIQUE (paper_id, client_key)
            );
            CREATE INDEX pieces_of_paper ON paper_pieces (paper_id) WHERE gone_at IS NULL;
            ALTER TABLE paper_pieces ENABLE ROW LEVEL SECURITY;
            CREATE POLICY papers_in_sight ON paper_pieces USING (brokerage_id = (SELECT told('brokerage')::bigint) AND EXISTS (SELECT 1 FROM papers p WHERE p.id = paper_pieces.paper_id OFFSET 0));
            GRANT SELECT, INSERT, UPDATE ON paper_pieces TO unanimus_app;

            -- Papers for the office alone: those who answer for it and the file's coordinator see them, its agents do not.
            ALTER TABLE papers ADD COLUMN staff_only boolean NOT NULL DEFAULT false;
            ALTER TABLE requirements ADD COLUMN staff_only boolean NOT NULL DEFAULT false;
            ALTER TABLE history ADD COLUMN staff_only boolean NOT NULL DEFAULT false;
            CREATE FUNCTION staff_in_sight(file bigint) RETURNS boolean LANGUAGE sql STABLE AS $$
                SELECT told('sight') = 'all' OR told('file')::bigint = file
                    OR EXISTS (SELECT 1 FROM deal_files f WHERE f.id = file AND f.office_id = ANY (told('offices')::bigint[]))
                    OR EXISTS (SELECT 1 FROM file_members m WHERE m.deal_file_id = file AND m.user_id = told('person')::bigint AND m.role = 'coordinator')
            $$;
            -- Whether someone joined later is asked once for all their files, and row by row only where they did.
            ALTER POLICY since_joined ON history USING (
                (SELECT told('sight')) = 'all' OR (SELECT told('file')::bigint) = deal_file_id
                OR deal_file_id NOT IN (SELECT m.deal_file_id FROM file_members m WHERE m.user_id = (SELECT told('person')::bigint) AND m.joined_at IS NOT NULL)
                OR NOT EXISTS (SELECT 1 FROM file_members m WHERE m.deal_file_id = history.deal_file_id AND m.user_id = (SELECT told('person')::bigint) AND m.joined_at > history.at)
            );
            CREATE POLICY for_staff ON papers AS RESTRICTIVE USING (NOT staff_only OR staff_in_sight(deal_file_id));
            CREATE POLICY for_staff ON requirements AS RESTRICTIVE USING (NOT staff_only OR staff_in_sight(deal_file_id));
            CREATE POLICY for_staff ON history AS RESTRICTIVE FOR SELECT USING (NOT staff_only OR staff_in_sight(deal_file_id));

            -- What stands in the blanks of a version, and what its pages lack: for reading papers against each other and the terms.
            ALTER TABLE paper_versions ADD COLUMN reading jsonb, ADD COLUMN findings jsonb NOT NULL DEFAULT '[]';

            CREATE TABLE assembled_sets (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                key char(26) NOT NULL CONSTRAINT set_key_once UNIQUE,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                deal_file_id bigint NOT NULL REFERENCES deal_files,
                side text,
                staff_only boolean NOT NULL DEFAULT false,
                title text NOT NULL,
                papers jsonb NOT NULL,
                options jsonb NOT NULL,
                status text NOT NULL CHECK (status IN ('waiting', 'making', 'ready', 'failed')),
                done smallint NOT NULL DEFAULT 0,
                failure text NOT NULL DEFAULT '',
                notes jsonb NOT NULL DEFAULT '[]',
                sha256 char(64),
                pages smallint,
                user_id bigint NOT NULL REFERENCES users,
                created_at timestamptz NOT NULL DEFAULT now(),
                updated_at timestamptz NOT NULL DEFAULT now()
            );
            CREATE INDEX sets_of_file ON assembled_sets (deal_file_id, id);
            CREATE TABLE reading_copies (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                key char(26) NOT NULL CONSTRAINT reading_copy_key_once UNIQUE,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                deal_file_id bigint NOT NULL REFERENCES deal_files,
                assembled_set_id bigint NOT NULL REFERENCES assembled_sets,
                name text NOT NULL,
                email text NOT NULL DEFAULT '',
                message text NOT NULL DEFAULT '',
                last_day date NOT NULL,
                link_version smallint NOT NULL DEFAULT 1,
                ended_at timestamptz,
                user_id bigint NOT NULL REFERENCES users,
                created_at timestamptz NOT NULL DEFAULT now(),
                updated_at timestamptz NOT NULL DEFAULT now()
            );
            CREATE INDEX reading_copies_of_set ON reading_copies (assembled_set_id);
            CREATE TABLE reading_copy_looks (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                reading_copy_id bigint NOT NULL REFERENCES reading_copies,
                what text NOT NULL CHECK (what IN ('opened', 'downloaded', 'refused')),
                at timestamptz NOT NULL DEFAULT now(),
                address text NOT NULL DEFAULT ''
            );
            CREATE INDEX looks_of_reading_copy ON reading_copy_looks (reading_copy_id, id);
            CREATE FUNCTION reading_copy_of_link(wanted text) RETURNS TABLE (id bigint, brokerage_id bigint, deal_file_id bigint, link_version smallint) LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public
                AS $$ SELECT r.id, r.brokerage_id, r.deal_file_id, r.link_version FROM reading_copies r WHERE r.key = wanted $$;
            ALTER TABLE assembled_sets ENABLE ROW LEVEL SECURITY;
            CREATE POLICY file_in_sight ON assembled_sets USING (brokerage_id = (SELECT told('brokerage')::bigint) AND EXISTS (SELECT 1 FROM deal_files f WHERE f.id = assembled_sets.deal_file_id OFFSET 0));
            CREATE POLICY own_side ON assembled_sets AS RESTRICTIVE USING (side IS NULL OR side_in_sight(deal_file_id, side));
            CREATE POLICY for_staff ON assembled_sets AS RESTRICTIVE USING (NOT staff_only OR staff_in_sight(deal_file_id));
            ALTER TABLE reading_copies ENABLE ROW LEVEL SECURITY;
            CREATE POLICY set_in_sight ON reading_copies USING (brokerage_id = (SELECT told('brokerage')::bigint) AND EXISTS (SELECT 1 FROM assembled_sets s WHERE s.id = reading_copies.assembled_set_id OFFSET 0));
            ALTER TABLE reading_copy_looks ENABLE ROW LEVEL SECURITY;
            CREATE POLICY copy_in_sight ON reading_copy_looks USING (brokerage_id = (SELECT told('brokerage')::bigint) AND EXISTS (SELECT 1 FROM reading_copies r WHERE r.id = reading_copy_looks.reading_copy_id OFFSET 0));
            GRANT SELECT, INSERT, UPDATE ON assembled_sets, reading_copies TO unanimus_app;
            GRANT SELECT, INSERT ON reading_copy_looks TO unanimus_app;
            GRANT USAGE ON ALL SEQUENCES IN SCHEMA public TO unanimus_app;
            SQL);
    }
};
