<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** A deal: the file, who serves it, what is known of it, who is in it, and its history. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            CREATE TABLE deal_files (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                key char(26) NOT NULL CONSTRAINT file_key_once UNIQUE,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                office_id bigint NOT NULL REFERENCES offices,
                name text NOT NULL,
                side text NOT NULL DEFAULT 'buyer' CHECK (side IN ('buyer', 'seller', 'both', 'tenant', 'landlord')),
                kind text NOT NULL DEFAULT 'sale' CHECK (kind IN ('sale', 'lease', 'referral')),
                status text NOT NULL DEFAULT 'preparing' CHECK (status IN ('preparing', 'active', 'under_contract', 'closed', 'terminated', 'expired', 'withdrawn')),
                listing_number text,
                kit text,
                settled smallint NOT NULL DEFAULT 0,
                required smallint NOT NULL DEFAULT 0,
                closed_on date,
                opened_by bigint REFERENCES users,
                opened_in xid8 NOT NULL DEFAULT pg_current_xact_id(),
                created_at timestamptz NOT NULL DEFAULT now(),
                updated_at timestamptz NOT NULL DEFAULT now()
            );
            CREATE INDEX files_of_office ON deal_files (office_id, status);
            CREATE INDEX files_by_listing ON deal_files (brokerage_id, listing_number);
            CREATE TABLE file_members (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                deal_file_id bigint NOT NULL REFERENCES deal_files,
                user_id bigint NOT NULL REFERENCES users,
                role text NOT NULL CHECK (role IN ('agent', 'coordinator')),
                CONSTRAINT member_once UNIQUE (deal_file_id, user_id)
            );
            CREATE INDEX files_of_member ON file_members (user_id, deal_file_id);
            CREATE TABLE facts (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                deal_file_id bigint NOT NULL REFERENCES deal_files,
                name text NOT NULL,
                value text NOT NULL,
                source text NOT NULL,
                stored_at timestamptz NOT NULL DEFAULT now(),
                user_id bigint REFERENCES users,
                CONSTRAINT fact_known_once UNIQUE (deal_file_id, name)
            );
            CREATE TABLE parties (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                key char(26) NOT NULL CONSTRAINT party_key_once UNIQUE,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                deal_file_id bigint NOT NULL REFERENCES deal_files,
                role text NOT NULL,
                number smallint NOT NULL CHECK (number BETWEEN 1 AND 99),
                name text NOT NULL,
                signing_name text NOT NULL DEFAULT '',
                initials text NOT NULL DEFAULT '',
                email text,
                phone text,
                firm text,
                user_id bigint REFERENCES users,
                created_at timestamptz NOT NULL DEFAULT now(),
                updated_at timestamptz NOT NULL DEFAULT now(),
                CONSTRAINT one_party_a_seat UNIQUE (deal_file_id, role, number)
            );
            CREATE TABLE history (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                deal_file_id bigint NOT NULL REFERENCES deal_files,
                seq integer NOT NULL,
                at timestamptz NOT NULL,
                who text NOT NULL,
                user_id bigint REFERENCES users,
                what text NOT NULL,
                data jsonb NOT NULL DEFAULT '{}',
                before char(64) NOT NULL,
                hash char(64) NOT NULL,
                CONSTRAINT history_number_once UNIQUE (deal_file_id, seq)
            );
            CREATE FUNCTION refuse_change() RETURNS trigger LANGUAGE plpgsql AS $$
            BEGIN
                RAISE EXCEPTION '% is append-only', TG_TABLE_NAME USING ERRCODE = 'restrict_violation';
            END $$;
            CREATE TRIGGER history_is_append_only BEFORE UPDATE OR DELETE ON history FOR EACH ROW EXECUTE FUNCTION refuse_change();
            CREATE TRIGGER history_is_never_emptied BEFORE TRUNCATE ON history EXECUTE FUNCTION refuse_change();
            SQL);
    }

    public function down(): void
    {
        DB::unprepared('DROP TABLE history, parties, facts, file_members, deal_files; DROP FUNCTION refuse_change()');
    }
};
