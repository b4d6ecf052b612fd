<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Documents, their versions and entries, uploads, requirements and remarks, our own forms, and what clients are asked to fill in. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            CREATE TABLE blobs (
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                sha256 character(64) NOT NULL,
                size bigint NOT NULL,
                media_type text NOT NULL,
                created_at timestamptz NOT NULL DEFAULT now(),
                CONSTRAINT blobs_pkey PRIMARY KEY (brokerage_id, sha256)
            );

            CREATE TABLE inbound_items (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                key character(26) NOT NULL,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                message_id text NOT NULL,
                sender text NOT NULL,
                subject text NOT NULL,
                body text NOT NULL DEFAULT '',
                attachments jsonb NOT NULL DEFAULT '[]',
                sha256 character(64) NOT NULL,
                received_at timestamptz NOT NULL DEFAULT now(),
                CONSTRAINT inbound_key_once UNIQUE (key),
                CONSTRAINT letter_received_once UNIQUE (brokerage_id, message_id)
            );

            CREATE TABLE own_forms (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                key character(26) NOT NULL,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                number text NOT NULL DEFAULT '',
                revision text NOT NULL DEFAULT '',
                title text NOT NULL,
                stage text NOT NULL,
                status text NOT NULL CHECK (status IN ('making', 'in_force', 'superseded', 'retired', 'dropped')),
                sha256 character(64) NOT NULL,
                pages jsonb NOT NULL,
                items jsonb NOT NULL,
                source text NOT NULL DEFAULT '',
                notes jsonb NOT NULL DEFAULT '[]',
                user_id bigint NOT NULL REFERENCES users,
                published_at timestamptz,
                created_at timestamptz NOT NULL DEFAULT now(),
                updated_at timestamptz NOT NULL DEFAULT now(),
                CONSTRAINT own_form_key_once UNIQUE (key)
            );
            CREATE UNIQUE INDEX one_form_a_revision ON own_forms (brokerage_id, number, revision)
                WHERE (status IN ('in_force', 'superseded', 'retired'));
            CREATE UNIQUE INDEX one_form_in_force ON own_forms (brokerage_id, number) WHERE (status IN ('in_force', 'retired'));

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

            CREATE TABLE fill_requests (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                key character(26) NOT NULL,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                deal_file_id bigint NOT NULL REFERENCES deal_files,
                party_id bigint NOT NULL REFERENCES parties,
                side text,
                name text NOT NULL,
                email text NOT NULL,
                message text NOT NULL DEFAULT '',
                last_day date NOT NULL,
                status text NOT NULL CHECK (status IN ('out', 'finished', 'taken_back')),
                link_version smallint NOT NULL DEFAULT 1,
                asked_by bigint NOT NULL REFERENCES users,
                opened_at timestamptz,
                reminded_on date,
                finished_at timestamptz,
                created_at timestamptz NOT NULL DEFAULT now(),
                updated_at timestamptz NOT NULL DEFAULT now(),
                CONSTRAINT fill_request_key_once UNIQUE (key)
            );
            CREATE INDEX fill_requests_of_file ON fill_requests (deal_file_id, id);

            CREATE TABLE papers (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                key character(26) NOT NULL,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                deal_file_id bigint NOT NULL REFERENCES deal_files,
                title text NOT NULL,
                form_number text,
                form_revision text,
                stage text NOT NULL,
                state text NOT NULL CHECK (state IN ('expected', 'draft', 'ready', 'out', 'signed', 'void')),
                position integer NOT NULL,
                reason text NOT NULL DEFAULT '',
                created_at timestamptz NOT NULL DEFAULT now(),
                updated_at timestamptz NOT NULL DEFAULT now(),
                side text,
                called_by text NOT NULL DEFAULT '',
                staff_only boolean NOT NULL DEFAULT false,
                latest_version_id bigint,
                CONSTRAINT paper_key_once UNIQUE (key)
            );
            CREATE INDEX papers_of_file ON papers (deal_file_id, "position");

            CREATE TABLE paper_versions (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                key character(26) NOT NULL,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                deal_file_id bigint NOT NULL REFERENCES deal_files,
                paper_id bigint NOT NULL REFERENCES papers,
                number smallint NOT NULL,
                made_by text NOT NULL CHECK (made_by IN ('uploaded', 'sent', 'signed', 'computed', 'submitted')),
                sha256 character(64) NOT NULL,
                first_page smallint NOT NULL DEFAULT 1,
                pages smallint NOT NULL,
                note text NOT NULL DEFAULT '',
                user_id bigint REFERENCES users,
                made_at timestamptz NOT NULL DEFAULT now(),
                reading jsonb,
                findings jsonb NOT NULL DEFAULT '[]',
                original_sha256 character(64),
                CONSTRAINT version_key_once UNIQUE (key),
                CONSTRAINT version_number_once UNIQUE (paper_id, number),
                CONSTRAINT version_has_bytes FOREIGN KEY (brokerage_id, sha256) REFERENCES blobs(brokerage_id, sha256)
            );
            ALTER TABLE papers ADD FOREIGN KEY (latest_version_id) REFERENCES paper_versions;

            CREATE TABLE paper_entries (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                deal_file_id bigint NOT NULL REFERENCES deal_files,
                paper_id bigint NOT NULL REFERENCES papers,
                blank text NOT NULL,
                value text,
                client_key text NOT NULL,
                user_id bigint REFERENCES users,
                at timestamptz NOT NULL DEFAULT now(),
                by_name text,
                CONSTRAINT entry_kept_once UNIQUE (paper_id, client_key)
            );

            CREATE TABLE paper_values (
                paper_id bigint NOT NULL REFERENCES papers,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                deal_file_id bigint NOT NULL REFERENCES deal_files,
                blank text NOT NULL,
                value text NOT NULL,
                entry_id bigint NOT NULL REFERENCES paper_entries,
                CONSTRAINT paper_values_pkey PRIMARY KEY (paper_id, blank)
            );

            CREATE TABLE paper_pieces (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                key character(26) NOT NULL,
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
                CONSTRAINT piece_key_once UNIQUE (key),
                CONSTRAINT piece_once UNIQUE (paper_id, client_key)
            );
            CREATE INDEX pieces_of_paper ON paper_pieces (paper_id) WHERE (gone_at IS NULL);

            CREATE TABLE uploads (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                key text NOT NULL,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                deal_file_id bigint NOT NULL REFERENCES deal_files,
                user_id bigint REFERENCES users,
                placeholder_id bigint REFERENCES papers,
                paper_id bigint REFERENCES papers,
                name text NOT NULL,
                sha256 character(64) NOT NULL,
                stage text NOT NULL DEFAULT 'contract',
                state text NOT NULL DEFAULT 'working' CHECK (state IN ('working', 'done', 'refused')),
                told text NOT NULL DEFAULT '',
                seen boolean NOT NULL DEFAULT false,
                created_at timestamptz NOT NULL DEFAULT clock_timestamp(),
                CONSTRAINT upload_once UNIQUE (deal_file_id, key)
            );

            CREATE TABLE requirements (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                key character(26) NOT NULL,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                deal_file_id bigint NOT NULL REFERENCES deal_files,
                paper_id bigint REFERENCES papers,
                title text NOT NULL,
                stage text NOT NULL,
                position integer NOT NULL,
                reason text NOT NULL DEFAULT '',
                review_state text NOT NULL DEFAULT 'not_submitted'
                    CHECK (review_state IN ('not_submitted', 'submitted', 'sent_back', 'accepted', 'does_not_apply')),
                submitted_at timestamptz,
                submitted_by bigint REFERENCES users,
                decided_at timestamptz,
                decided_by bigint REFERENCES users,
                note text NOT NULL DEFAULT '',
                created_at timestamptz NOT NULL DEFAULT now(),
                updated_at timestamptz NOT NULL DEFAULT now(),
                side text,
                staff_only boolean NOT NULL DEFAULT false,
                CONSTRAINT one_requirement_a_paper UNIQUE (paper_id),
                CONSTRAINT requirement_key_once UNIQUE (key)
            );
            CREATE INDEX requirements_of_file ON requirements (deal_file_id, "position");
            CREATE INDEX requirements_waiting ON requirements (submitted_at) WHERE (review_state = 'submitted');

            CREATE TABLE remarks (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                key character(26) NOT NULL,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                deal_file_id bigint NOT NULL REFERENCES deal_files,
                requirement_id bigint NOT NULL REFERENCES requirements,
                page smallint,
                x numeric(7,2),
                y numeric(7,2),
                text text NOT NULL,
                user_id bigint NOT NULL REFERENCES users,
                at timestamptz NOT NULL DEFAULT now(),
                answered_at timestamptz,
                CONSTRAINT remark_key_once UNIQUE (key)
            );
            CREATE INDEX remarks_of_requirement ON remarks (requirement_id);

            CREATE TABLE fill_request_papers (
                fill_request_id bigint NOT NULL REFERENCES fill_requests,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                paper_id bigint NOT NULL REFERENCES papers,
                position smallint NOT NULL,
                blanks jsonb NOT NULL,
                CONSTRAINT fill_request_papers_pkey PRIMARY KEY (fill_request_id, paper_id)
            );
            CREATE INDEX asked_of_paper ON fill_request_papers (paper_id);
            SQL
            ,
        );
    }
};
