<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Fill requests: what a client is asked to fill, on which papers, until when; and who made an entry without an account. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            ALTER TABLE paper_entries ADD COLUMN by_name text;
            CREATE TABLE fill_requests (
                id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
                key char(26) NOT NULL CONSTRAINT fill_request_key_once UNIQUE,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                deal_file_id bigint NOT NULL REFERENCES deal_files,
                party_id bigint NOT NULL REFERENCES parties,
                side text,
                name text NOT NULL,
                email text NOT NULL,
                message text NOT NULL DEFAULT '',
                last_day date NOT NULL,
                status text NOT NULL CHECK (status IN ('out', 'finished', 'taken_back')),
                link_version smallint NOT NULL DEFAULT 1,
                asked_by bigint NOT NULL REFERENCES users,
                opened_at timestamptz,
                reminded_on date,
                finished_at timestamptz,
                created_at timestamptz NOT NULL DEFAULT now(),
                updated_at timestamptz NOT NULL DEFAULT now()
            );
            CREATE INDEX fill_requests_of_file ON fill_requests (deal_file_id, id);
            CREATE TABLE fill_request_papers (
                fill_request_id bigint NOT NULL REFERENCES fill_requests,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                paper_id bigint NOT NULL REFERENCES papers,
                position smallint NOT NULL,
                blanks jsonb NOT NULL,
                PRIMARY KEY (fill_request_id, paper_id)
            );
            CREATE FUNCTION fill_request_of_link(wanted text) RETURNS TABLE (id bigint, brokerage_id bigint, deal_file_id bigint, link_version smallint) LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public
                AS $$ SELECT r.id, r.brokerage_id, r.deal_file_id, r.link_version FROM fill_requests r WHERE r.key = wanted $$;
            GRANT SELECT, INSERT, UPDATE ON fill_requests TO unanimus_app;
            GRANT SELECT, INSERT ON fill_request_papers TO unanimus_app;
            GRANT USAGE ON ALL SEQUENCES IN SCHEMA public TO unanimus_app;
            ALTER TABLE fill_requests ENABLE ROW LEVEL SECURITY;
            CREATE POLICY file_in_sight ON fill_requests USING (brokerage_id = (SELECT told('brokerage')::bigint) AND EXISTS (SELECT 1 FROM deal_files f WHERE f.id = fill_requests.deal_file_id OFFSET 0));
            CREATE POLICY own_side ON fill_requests AS RESTRICTIVE USING (side IS NULL OR side_in_sight(deal_file_id, side));
            ALTER TABLE fill_request_papers ENABLE ROW LEVEL SECURITY;
            CREATE POLICY request_in_sight ON fill_request_papers USING (brokerage_id = (SELECT told('brokerage')::bigint) AND EXISTS (SELECT 1 FROM fill_requests r WHERE r.id = fill_request_papers.fill_request_id OFFSET 0));
            SQL);
    }
};
