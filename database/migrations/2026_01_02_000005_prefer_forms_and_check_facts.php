<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Forms an office prefers to others like them; facts that somebody has checked, against what. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            ALTER TABLE offices ADD COLUMN preferred_forms jsonb NOT NULL DEFAULT '[]';
            ALTER TABLE facts
                ADD COLUMN checked_at timestamptz,
                ADD COLUMN checked_by bigint REFERENCES users,
                ADD COLUMN checked_against text;
            SQL,
        );
    }
};
