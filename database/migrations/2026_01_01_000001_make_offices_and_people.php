<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Brokerages, their offices, and the people who work there. */
return new class extends Migration
{
    public function up(): void
    {
        if (DB::scalar("SELECT to_regclass('deal_files')") !== null) {
            throw new RuntimeException(
                'This database was made by an earlier version that cannot be brought forward. Start over with ./unanimus demo --fresh.',
            );
        }
        DB::unprepared(
            <<<'SQL'
            CREATE TABLE brokerages (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                key character(26) NOT NULL,
                name text NOT NULL,
                created_at timestamptz NOT NULL DEFAULT now(),
                sender_name text,
                sender_address text,
                intake_hash character(64),
                CONSTRAINT brokerage_key_once UNIQUE (key)
            );
            CREATE UNIQUE INDEX one_letter_box_a_token ON brokerages (intake_hash) WHERE (intake_hash IS NOT NULL);

            CREATE TABLE offices (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                key character(26) NOT NULL,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                name text NOT NULL,
                zone text NOT NULL,
                holidays jsonb NOT NULL DEFAULT '{}',
                created_at timestamptz NOT NULL DEFAULT now(),
                CONSTRAINT office_key_once UNIQUE (key)
            );

            CREATE TABLE users (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                key character(26) NOT NULL,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                name text NOT NULL,
                email text NOT NULL,
                phone text,
                password text NOT NULL,
                remember_token text,
                active boolean NOT NULL DEFAULT true,
                created_at timestamptz NOT NULL DEFAULT now(),
                updated_at timestamptz NOT NULL DEFAULT now(),
                second_factor text,
                second_factor_at timestamptz,
                second_factor_step bigint,
                recovery_codes jsonb NOT NULL DEFAULT '[]',
                calendar_version smallint NOT NULL DEFAULT 1,
                invited_at timestamptz,
                invited_email text,
                single_keys boolean NOT NULL DEFAULT true,
                CONSTRAINT user_key_once UNIQUE (key)
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

            CREATE TABLE remembered_devices (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                key character(26) NOT NULL,
                user_id bigint NOT NULL REFERENCES users,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                token_hash character(64) NOT NULL,
                device text NOT NULL DEFAULT '',
                address text NOT NULL DEFAULT '',
                used_at timestamptz NOT NULL DEFAULT clock_timestamp(),
                expires_at timestamptz NOT NULL,
                CONSTRAINT device_key_once UNIQUE (key),
                CONSTRAINT device_token_once UNIQUE (token_hash)
            );
            CREATE INDEX devices_of_user ON remembered_devices (user_id);
            SQL
            ,
        );
    }
};
