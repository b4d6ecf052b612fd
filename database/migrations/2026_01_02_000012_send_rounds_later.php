<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** A round has its own subject, goes out at a set time, is reminded of by itself, and its set goes to more people at the end. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            ALTER TABLE rounds
                ADD COLUMN subject text NOT NULL DEFAULT '',
                ADD COLUMN send_at timestamptz,
                ADD COLUMN held_because text NOT NULL DEFAULT '',
                ADD COLUMN copies jsonb NOT NULL DEFAULT '[]';
            ALTER TABLE signers ADD COLUMN note text NOT NULL DEFAULT '';
            ALTER TABLE offices ADD COLUMN reminder_days jsonb NOT NULL DEFAULT '[2, 1, 0]';
            SQL
        );
    }
};
