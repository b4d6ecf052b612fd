<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** What the date beside a signature looks like: as the office wants it, and as it was when the round went out. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            ALTER TABLE offices ADD COLUMN date_look text NOT NULL DEFAULT 'slashes';
            ALTER TABLE rounds ADD COLUMN date_look text NOT NULL DEFAULT 'slashes';
            SQL
        );
    }
};
