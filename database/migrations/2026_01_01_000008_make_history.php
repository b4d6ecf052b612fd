<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** What was done in each file and in the brokerage, in an order that nobody can change. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
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
                before character(64) NOT NULL,
                hash character(64) NOT NULL,
                side text,
                staff_only boolean NOT NULL DEFAULT false,
                CONSTRAINT history_number_once UNIQUE (deal_file_id, seq)
            );

            CREATE TABLE history_heads (
                deal_file_id bigint PRIMARY KEY REFERENCES deal_files,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                seq integer NOT NULL,
                hash character(64) NOT NULL,
                mac character(64) NOT NULL,
                moved_at timestamptz NOT NULL DEFAULT clock_timestamp()
            );
            CREATE INDEX heads_by_time ON history_heads (brokerage_id, moved_at);

            CREATE TABLE brokerage_history (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                office_id bigint REFERENCES offices,
                seq integer NOT NULL,
                at timestamptz NOT NULL,
                who text NOT NULL,
                user_id bigint REFERENCES users,
                what text NOT NULL,
                data jsonb NOT NULL DEFAULT '{}',
                before character(64) NOT NULL,
                hash character(64) NOT NULL,
                CONSTRAINT brokerage_history_number_once UNIQUE (brokerage_id, seq)
            );

            CREATE TABLE brokerage_history_heads (
                brokerage_id bigint PRIMARY KEY REFERENCES brokerages,
                seq integer NOT NULL,
                hash character(64) NOT NULL,
                mac character(64) NOT NULL,
                moved_at timestamptz NOT NULL DEFAULT clock_timestamp()
            );
            SQL
            ,
        );
    }
};
