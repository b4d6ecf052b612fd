<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Who works here: the brokerage, its offices and people; and the framework's own tables. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            CREATE TABLE brokerages (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                key char(26) NOT NULL CONSTRAINT brokerage_key_once UNIQUE,
                name text NOT NULL,
                created_at timestamptz NOT NULL DEFAULT now()
            );
            CREATE TABLE offices (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                key char(26) NOT NULL CONSTRAINT office_key_once UNIQUE,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                name text NOT NULL,
                zone text NOT NULL,
                holidays jsonb NOT NULL DEFAULT '{}',
                created_at timestamptz NOT NULL DEFAULT now()
            );
            CREATE TABLE users (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                key char(26) NOT NULL CONSTRAINT user_key_once UNIQUE,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                name text NOT NULL,
                email text NOT NULL,
                phone text,
                password text NOT NULL,
                remember_token text,
                active boolean NOT NULL DEFAULT true,
                created_at timestamptz NOT NULL DEFAULT now(),
                updated_at timestamptz NOT NULL DEFAULT now()
            );
            CREATE UNIQUE INDEX one_sign_in_per_address ON users (lower(email));
            CREATE TABLE office_roles (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                user_id bigint NOT NULL REFERENCES users,
                office_id bigint NOT NULL REFERENCES offices,
                role text NOT NULL CHECK (role IN ('agent', 'coordinator', 'broker', 'bookkeeper', 'administrator')),
                CONSTRAINT one_role_once_per_office UNIQUE (user_id, office_id, role)
            );
            CREATE TABLE sessions (
                id text PRIMARY KEY, user_id bigint, ip_address text, user_agent text, payload text NOT NULL, last_activity integer NOT NULL
            );
            CREATE INDEX sessions_of_user ON sessions (user_id);
            CREATE INDEX sessions_by_activity ON sessions (last_activity);
            CREATE TABLE cache (key text PRIMARY KEY, value text NOT NULL, expiration integer NOT NULL);
            CREATE TABLE cache_locks (key text PRIMARY KEY, owner text NOT NULL, expiration integer NOT NULL);
            CREATE TABLE jobs (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY, queue text NOT NULL, payload text NOT NULL, attempts smallint NOT NULL,
                reserved_at integer, available_at integer NOT NULL, created_at integer NOT NULL
            );
            CREATE INDEX jobs_by_queue ON jobs (queue);
            CREATE TABLE failed_jobs (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY, uuid text NOT NULL UNIQUE, connection text NOT NULL, queue text NOT NULL,
                payload text NOT NULL, exception text NOT NULL, failed_at timestamptz NOT NULL DEFAULT now()
            );
            SQL);
    }

    public function down(): void
    {
        DB::unprepared('DROP TABLE failed_jobs, jobs, cache_locks, cache, sessions, office_roles, users, offices, brokerages');
    }
};
