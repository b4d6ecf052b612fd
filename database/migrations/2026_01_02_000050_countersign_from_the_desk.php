<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** A round in which the broker alone signs a paper that was submitted. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            ALTER TABLE rounds ADD COLUMN IF NOT EXISTS countersigns bigint REFERENCES papers;
            CREATE INDEX IF NOT EXISTS rounds_that_countersign ON rounds (countersigns) WHERE countersigns IS NOT NULL;
            SQL);
    }
};
