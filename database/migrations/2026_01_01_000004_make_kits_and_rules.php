<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Kits, office rules, and files imported from spreadsheets. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            CREATE TABLE kits (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                key character(26) NOT NULL,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                office_id bigint REFERENCES offices,
                user_id bigint REFERENCES users,
                name text NOT NULL,
                version integer NOT NULL DEFAULT 1,
                retired boolean NOT NULL DEFAULT false,
                created_at timestamptz NOT NULL DEFAULT now(),
                updated_at timestamptz NOT NULL DEFAULT now(),
                CONSTRAINT kit_key_once UNIQUE (key)
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

            CREATE TABLE office_rules (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                key character(26) NOT NULL,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                position integer NOT NULL,
                definition jsonb NOT NULL,
                active boolean NOT NULL DEFAULT true,
                user_id bigint REFERENCES users,
                created_at timestamptz NOT NULL DEFAULT now(),
                updated_at timestamptz NOT NULL DEFAULT now(),
                CONSTRAINT rule_key_once UNIQUE (key)
            );

            CREATE TABLE imports (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                key character(26) NOT NULL,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                office_id bigint NOT NULL REFERENCES offices,
                user_id bigint NOT NULL REFERENCES users,
                name text NOT NULL,
                sha256 character(64) NOT NULL,
                columns jsonb NOT NULL,
                matched jsonb NOT NULL,
                state text NOT NULL DEFAULT 'matching' CHECK (state IN ('matching', 'tried', 'running', 'done')),
                created_at timestamptz NOT NULL DEFAULT now(),
                updated_at timestamptz NOT NULL DEFAULT now(),
                CONSTRAINT import_key_once UNIQUE (key)
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
                CONSTRAINT column_matches_pkey PRIMARY KEY (brokerage_id, heading)
            );
            SQL
            ,
        );
    }
};
