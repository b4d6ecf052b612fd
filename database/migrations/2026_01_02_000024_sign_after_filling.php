<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** What a client filled in goes on to be signed: at once on the same link, or after the agent has looked. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            ALTER TABLE fill_requests ADD COLUMN afterwards text NOT NULL DEFAULT 'nothing';
            ALTER TABLE fill_requests ADD COLUMN round_id bigint REFERENCES rounds ON DELETE SET NULL;
            SQL
        );
    }
};
