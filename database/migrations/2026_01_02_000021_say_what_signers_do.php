<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Who is asked in a round may only read, or approve, before the others sign. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared("ALTER TABLE signers ADD COLUMN part text NOT NULL DEFAULT 'signs'");
    }
};
