<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** The pages of a round may go along with the email, to be read first. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            ALTER TABLE rounds ADD COLUMN attach boolean NOT NULL DEFAULT false;
            ALTER TABLE rounds ADD COLUMN to_read character(64);
            SQL
        );
    }
};
