<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Signing: rounds, their papers, signers and marks, everything that happened, and the sealed set. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            CREATE TABLE rounds (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                key char(26) NOT NULL CONSTRAINT round_key_once UNIQUE,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                deal_file_id bigint NOT NULL REFERENCES deal_files,
                title text NOT NULL,
                message text NOT NULL DEFAULT '',
                status text NOT NULL DEFAULT 'drafting' CHECK (status IN ('drafting', 'out', 'complete', 'declined', 'lapsed', 'recalled')),
                last_day date,
                user_id bigint NOT NULL REFERENCES users,
                reason text,
                sent_at timestamptz,
                over_at timestamptz,
                created_at timestamptz NOT NULL DEFAULT now(),
                updated_at timestamptz NOT NULL DEFAULT now()
            );
            CREATE INDEX rounds_of_file ON rounds (deal_file_id);
            CREATE TABLE round_papers (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                deal_file_id bigint NOT NULL REFERENCES deal_files,
                round_id bigint NOT NULL REFERENCES rounds ON DELETE CASCADE,
                paper_id bigint NOT NULL REFERENCES papers,
                position smallint NOT NULL,
                title text NOT NULL,
                sha256 char(64),
                pages smallint NOT NULL DEFAULT 0,
                CONSTRAINT paper_once_a_round UNIQUE (round_id, paper_id)
            );
            CREATE TABLE signers (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                key char(26) NOT NULL CONSTRAINT signer_key_once UNIQUE,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                deal_file_id bigint NOT NULL REFERENCES deal_files,
                round_id bigint NOT NULL REFERENCES rounds ON DELETE CASCADE,
                party_id bigint NOT NULL REFERENCES parties,
                seat text NOT NULL,
                name text NOT NULL,
                initials text NOT NULL,
                email text,
                turn smallint NOT NULL DEFAULT 1,
                status text NOT NULL DEFAULT 'waiting',
                adopted jsonb,
                link_version smallint NOT NULL DEFAULT 1,
                CONSTRAINT one_signer_a_seat UNIQUE (round_id, seat)
            );
            CREATE TABLE marks (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                key char(26) NOT NULL CONSTRAINT mark_key_once UNIQUE,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                deal_file_id bigint NOT NULL REFERENCES deal_files,
                round_id bigint NOT NULL REFERENCES rounds ON DELETE CASCADE,
                round_paper_id bigint NOT NULL REFERENCES round_papers ON DELETE CASCADE,
                seat text NOT NULL,
                kind text NOT NULL,
                page smallint NOT NULL,
                x numeric(7,2) NOT NULL,
                y numeric(7,2) NOT NULL,
                width numeric(7,2) NOT NULL,
                height numeric(7,2) NOT NULL,
                position smallint NOT NULL
            );
            CREATE INDEX marks_of_round ON marks (round_id, position);
            CREATE TABLE round_events (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                deal_file_id bigint NOT NULL REFERENCES deal_files,
                round_id bigint NOT NULL REFERENCES rounds,
                seat text,
                kind text NOT NULL,
                data jsonb NOT NULL DEFAULT '{}',
                once_key text NOT NULL,
                address text,
                device text,
                at timestamptz NOT NULL DEFAULT clock_timestamp(),
                CONSTRAINT event_once UNIQUE (round_id, once_key)
            );
            CREATE TRIGGER events_are_append_only BEFORE UPDATE OR DELETE ON round_events FOR EACH ROW EXECUTE FUNCTION refuse_change();
            CREATE TABLE sealed_sets (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                key char(26) NOT NULL CONSTRAINT sealed_key_once UNIQUE,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                deal_file_id bigint NOT NULL REFERENCES deal_files,
                round_id bigint NOT NULL CONSTRAINT round_sealed_once UNIQUE REFERENCES rounds,
                sha256 char(64) NOT NULL,
                pages smallint NOT NULL,
                sealed_at timestamptz NOT NULL,
                CONSTRAINT set_has_bytes FOREIGN KEY (brokerage_id, sha256) REFERENCES blobs (brokerage_id, sha256)
            );
            SQL);
    }

    public function down(): void
    {
        DB::unprepared('DROP TABLE sealed_sets, round_events, marks, signers, round_papers, rounds');
    }
};
