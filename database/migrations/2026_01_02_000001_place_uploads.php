<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** What an upload seems to be, and where it stood before it was placed, so that it can be moved. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            ALTER TABLE uploads
                ADD COLUMN version_id bigint REFERENCES paper_versions,
                ADD COLUMN meant_id bigint REFERENCES papers,
                ADD COLUMN before_state text,
                ADD COLUMN parts jsonb NOT NULL DEFAULT '[]',
                ADD COLUMN is_question boolean NOT NULL DEFAULT false;
            CREATE INDEX uploads_in_question ON uploads (deal_file_id, user_id) WHERE is_question;
            SQL,
        );
    }
};
