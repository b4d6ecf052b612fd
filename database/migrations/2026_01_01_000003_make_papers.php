<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Papers: what is entered on them, their versions and bytes; the checklist, remarks; commission; letters. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            CREATE TABLE blobs (
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                sha256 char(64) NOT NULL,
                size bigint NOT NULL,
                media_type text NOT NULL,
                created_at timestamptz NOT NULL DEFAULT now(),
                PRIMARY KEY (brokerage_id, sha256)
            );
            CREATE TABLE papers (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                key char(26) NOT NULL CONSTRAINT paper_key_once UNIQUE,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                deal_file_id bigint NOT NULL REFERENCES deal_files,
                title text NOT NULL,
                form_number text,
                form_revision text,
                stage text NOT NULL,
                state text NOT NULL CHECK (state IN ('awaited', 'draft', 'ready', 'out', 'signed', 'void')),
                position integer NOT NULL,
                reason text NOT NULL DEFAULT '',
                created_at timestamptz NOT NULL DEFAULT now(),
                updated_at timestamptz NOT NULL DEFAULT now()
            );
            CREATE INDEX papers_of_file ON papers (deal_file_id, position);
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
                CONSTRAINT entry_kept_once UNIQUE (paper_id, client_key)
            );
            CREATE TRIGGER entries_are_append_only BEFORE UPDATE OR DELETE ON paper_entries FOR EACH ROW EXECUTE FUNCTION refuse_change();
            CREATE TABLE paper_values (
                paper_id bigint NOT NULL REFERENCES papers,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                deal_file_id bigint NOT NULL REFERENCES deal_files,
                blank text NOT NULL,
                value text NOT NULL,
                entry_id bigint NOT NULL REFERENCES paper_entries,
                PRIMARY KEY (paper_id, blank)
            );
            CREATE TABLE paper_versions (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                key char(26) NOT NULL CONSTRAINT version_key_once UNIQUE,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                deal_file_id bigint NOT NULL REFERENCES deal_files,
                paper_id bigint NOT NULL REFERENCES papers,
                number smallint NOT NULL,
                made_by text NOT NULL CHECK (made_by IN ('brought', 'sent', 'signed', 'computed')),
                sha256 char(64) NOT NULL,
                -- A signed paper is some pages of its sealed set.
                first_page smallint NOT NULL DEFAULT 1,
                pages smallint NOT NULL,
                note text NOT NULL DEFAULT '',
                user_id bigint REFERENCES users,
                made_at timestamptz NOT NULL DEFAULT now(),
                CONSTRAINT version_number_once UNIQUE (paper_id, number),
                CONSTRAINT version_has_bytes FOREIGN KEY (brokerage_id, sha256) REFERENCES blobs (brokerage_id, sha256)
            );
            CREATE TABLE requirements (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                key char(26) NOT NULL CONSTRAINT requirement_key_once UNIQUE,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                deal_file_id bigint NOT NULL REFERENCES deal_files,
                paper_id bigint REFERENCES papers,
                title text NOT NULL,
                stage text NOT NULL,
                position integer NOT NULL,
                reason text NOT NULL DEFAULT '',
                review_state text NOT NULL DEFAULT 'not_handed_in' CHECK (review_state IN ('not_handed_in', 'handed_in', 'sent_back', 'accepted', 'does_not_apply')),
                handed_in_at timestamptz,
                handed_in_by bigint REFERENCES users,
                decided_at timestamptz,
                decided_by bigint REFERENCES users,
                note text NOT NULL DEFAULT '',
                created_at timestamptz NOT NULL DEFAULT now(),
                updated_at timestamptz NOT NULL DEFAULT now(),
                CONSTRAINT one_requirement_a_paper UNIQUE (paper_id)
            );
            CREATE INDEX requirements_of_file ON requirements (deal_file_id, position);
            CREATE INDEX requirements_waiting ON requirements (handed_in_at) WHERE review_state = 'handed_in';
            CREATE TABLE remarks (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                key char(26) NOT NULL CONSTRAINT remark_key_once UNIQUE,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                deal_file_id bigint NOT NULL REFERENCES deal_files,
                requirement_id bigint NOT NULL REFERENCES requirements,
                page smallint,
                x numeric(7,2),
                y numeric(7,2),
                text text NOT NULL,
                user_id bigint NOT NULL REFERENCES users,
                at timestamptz NOT NULL DEFAULT now(),
                answered_at timestamptz
            );
            CREATE INDEX remarks_of_requirement ON remarks (requirement_id);
            CREATE TABLE commissions (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                deal_file_id bigint NOT NULL REFERENCES deal_files,
                rate numeric(7,4) NOT NULL,
                agent_share numeric(7,4) NOT NULL,
                fee numeric(14,2) NOT NULL DEFAULT 0,
                fee_name text NOT NULL,
                authorized_at timestamptz,
                authorized_by bigint REFERENCES users,
                paper_id bigint REFERENCES papers,
                updated_at timestamptz NOT NULL DEFAULT now(),
                CONSTRAINT one_commission_a_file UNIQUE (deal_file_id)
            );
            CREATE TABLE letters (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                deal_file_id bigint REFERENCES deal_files,
                once_key text NOT NULL CONSTRAINT letter_once UNIQUE,
                recipient_name text NOT NULL,
                recipient text NOT NULL,
                subject text NOT NULL,
                body text NOT NULL,
                action_label text,
                action_url text,
                attachment char(64),
                attachment_name text,
                created_at timestamptz NOT NULL DEFAULT now(),
                sent_at timestamptz
            );
            CREATE INDEX letters_to_send ON letters (id) WHERE sent_at IS NULL;
            CREATE TABLE inbound_items (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                key char(26) NOT NULL CONSTRAINT inbound_key_once UNIQUE,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                message_id text NOT NULL,
                sender text NOT NULL,
                subject text NOT NULL,
                body text NOT NULL DEFAULT '',
                attachments jsonb NOT NULL DEFAULT '[]',
                sha256 char(64) NOT NULL,
                received_at timestamptz NOT NULL DEFAULT now(),
                CONSTRAINT letter_received_once UNIQUE (brokerage_id, message_id)
            );
            SQL);
    }

    public function down(): void
    {
        DB::unprepared('DROP TABLE inbound_items, letters, commissions, remarks, requirements, paper_versions, paper_values, paper_entries, papers, blobs');
    }
};
