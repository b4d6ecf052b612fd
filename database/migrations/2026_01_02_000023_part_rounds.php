<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** A round that goes out by itself after another: once that is sent, or once everyone has signed it. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            ALTER TABLE rounds ADD COLUMN after_id bigint REFERENCES rounds ON DELETE SET NULL;
            ALTER TABLE rounds ADD COLUMN after_when text CHECK (after_when IN ('sent', 'signed'));
            CREATE INDEX rounds_after ON rounds (after_id) WHERE after_id IS NOT NULL;
            SQL
        );
    }
};
