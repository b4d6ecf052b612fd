<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Signing: rounds, signers, marks, what happened, sealed sets; combined sets and reading copies. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared((string) file_get_contents(database_path('sql/stencils.sql')));
        DB::unprepared((string) file_get_contents(database_path('sql/working-copies.sql')));
        DB::unprepared((string) file_get_contents(database_path('sql/practice.sql')));
        DB::unprepared((string) file_get_contents(database_path('sql/mail-people.sql')));
        DB::unprepared((string) file_get_contents(database_path('sql/stacks.sql')));
        DB::unprepared((string) file_get_contents(database_path('sql/review.sql')));
        DB::unprepared((string) file_get_contents(database_path('sql/paper-requests.sql')));
        DB::unprepared((string) file_get_contents(database_path('sql/checklist.sql')));
        DB::unprepared((string) file_get_contents(database_path('sql/deliveries.sql')));
        DB::unprepared((string) file_get_contents(database_path('sql/draft-reads.sql')));
        DB::unprepared((string) file_get_contents(database_path('sql/kept-sentences.sql')));
        DB::unprepared(
            <<<'SQL'
            CREATE TABLE rounds (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                key character(26) NOT NULL,
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
                updated_at timestamptz NOT NULL DEFAULT now(),
                side text,
                CONSTRAINT round_key_once UNIQUE (key)
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
                sha256 character(64),
                pages smallint NOT NULL DEFAULT 0,
                CONSTRAINT paper_once_a_round UNIQUE (round_id, paper_id)
            );
            CREATE INDEX rounds_of_paper ON round_papers (paper_id);

            CREATE TABLE signers (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                key character(26) NOT NULL,
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
                CONSTRAINT one_signer_a_seat UNIQUE (round_id, seat),
                CONSTRAINT signer_key_once UNIQUE (key)
            );

            CREATE TABLE marks (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                key character(26) NOT NULL,
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
                position smallint NOT NULL,
                CONSTRAINT mark_key_once UNIQUE (key)
            );
            CREATE INDEX marks_of_round ON marks (round_id, "position");

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

            CREATE TABLE sealed_sets (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                key character(26) NOT NULL,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                deal_file_id bigint NOT NULL REFERENCES deal_files,
                round_id bigint NOT NULL REFERENCES rounds,
                sha256 character(64) NOT NULL,
                pages smallint NOT NULL,
                sealed_at timestamptz NOT NULL,
                CONSTRAINT round_sealed_once UNIQUE (round_id),
                CONSTRAINT sealed_key_once UNIQUE (key),
                CONSTRAINT set_has_bytes FOREIGN KEY (brokerage_id, sha256) REFERENCES blobs(brokerage_id, sha256)
            );

            CREATE TABLE assembled_sets (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                key character(26) NOT NULL,
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
                sha256 character(64),
                pages smallint,
                user_id bigint NOT NULL REFERENCES users,
                created_at timestamptz NOT NULL DEFAULT now(),
                updated_at timestamptz NOT NULL DEFAULT now(),
                CONSTRAINT set_key_once UNIQUE (key)
            );
            CREATE INDEX sets_of_file ON assembled_sets (deal_file_id, id);

            CREATE TABLE reading_copies (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                key character(26) NOT NULL,
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
                updated_at timestamptz NOT NULL DEFAULT now(),
                CONSTRAINT reading_copy_key_once UNIQUE (key)
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
            SQL
            ,
        );
    }
};
