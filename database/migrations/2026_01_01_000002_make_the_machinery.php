<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** What the framework keeps, and slow work with what it waits for. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            CREATE TABLE sessions (
                id text PRIMARY KEY,
                user_id bigint,
                ip_address text,
                user_agent text,
                payload text NOT NULL,
                last_activity integer NOT NULL
            );
            CREATE INDEX sessions_by_activity ON sessions (last_activity);
            CREATE INDEX sessions_of_user ON sessions (user_id);

            CREATE TABLE cache (
                key text PRIMARY KEY,
                value text NOT NULL,
                expiration integer NOT NULL
            );

            CREATE TABLE cache_locks (
                key text PRIMARY KEY,
                owner text NOT NULL,
                expiration integer NOT NULL
            );

            CREATE TABLE jobs (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                queue text NOT NULL,
                payload text NOT NULL,
                attempts smallint NOT NULL,
                reserved_at integer,
                available_at integer NOT NULL,
                created_at integer NOT NULL
            );
            CREATE INDEX jobs_by_queue ON jobs (queue);

            CREATE TABLE failed_jobs (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                uuid text NOT NULL UNIQUE,
                connection text NOT NULL,
                queue text NOT NULL,
                payload text NOT NULL,
                exception text NOT NULL,
                failed_at timestamptz NOT NULL DEFAULT now()
            );

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
                ticket integer NOT NULL DEFAULT 1,
                CONSTRAINT pending_work_pkey PRIMARY KEY (kind, thing)
            );
            CREATE INDEX work_left_behind ON pending_work (brokerage_id, claimed_until) WHERE (NOT stopped);

            CREATE TABLE service_breakers (
                name text PRIMARY KEY,
                fails integer NOT NULL DEFAULT 0,
                fault text,
                open_until timestamptz
            );
            SQL
            ,
        );
    }
};
