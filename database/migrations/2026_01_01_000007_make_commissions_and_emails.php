<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Commission sheets, and emails, each sent once. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
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
                side text,
                price numeric(14,2),
                agent_name text
            );
            CREATE UNIQUE INDEX one_commission_a_side ON commissions (deal_file_id, COALESCE(side, ''));

            CREATE TABLE letters (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                deal_file_id bigint REFERENCES deal_files,
                once_key text NOT NULL,
                recipient_name text NOT NULL,
                recipient text NOT NULL,
                subject text NOT NULL,
                body text NOT NULL,
                action_label text,
                attachment character(64),
                attachment_name text,
                created_at timestamptz NOT NULL DEFAULT now(),
                sent_at timestamptz,
                action text,
                CONSTRAINT letter_once UNIQUE (once_key)
            );
            CREATE INDEX letters_to_send ON letters (id) WHERE (sent_at IS NULL);
            SQL
            ,
        );
        DB::unprepared((string) file_get_contents(database_path('sql/plans.sql')));
        DB::unprepared((string) file_get_contents(database_path('sql/disbursements.sql')));
        DB::unprepared((string) file_get_contents(database_path('sql/signature-pictures.sql')));
        DB::unprepared((string) file_get_contents(database_path('sql/messages.sql')));
        DB::unprepared((string) file_get_contents(database_path('sql/client-pages.sql')));
        DB::unprepared((string) file_get_contents(database_path('sql/retention.sql')));
        DB::unprepared((string) file_get_contents(database_path('sql/api.sql')));
        DB::unprepared((string) file_get_contents(database_path('sql/notices.sql')));
        DB::unprepared((string) file_get_contents(database_path('sql/roster.sql')));
        DB::unprepared((string) file_get_contents(database_path('sql/shelf.sql')));
        DB::unprepared((string) file_get_contents(database_path('sql/moving.sql')));
        DB::unprepared((string) file_get_contents(database_path('sql/permissions.sql')));
        DB::unprepared((string) file_get_contents(database_path('sql/running.sql')));
        DB::unprepared((string) file_get_contents(database_path('sql/setup.sql')));
        DB::unprepared((string) file_get_contents(database_path('sql/sign-ins.sql')));
        DB::unprepared((string) file_get_contents(database_path('sql/company-sign-in.sql')));
        DB::unprepared((string) file_get_contents(database_path('sql/limits.sql')));
        DB::unprepared((string) file_get_contents(database_path('sql/desk-steps.sql')));
        DB::unprepared((string) file_get_contents(database_path('sql/own-addresses.sql')));
    }
};
