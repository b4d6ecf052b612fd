<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Tags of papers, beside those of files. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared("ALTER TABLE papers ADD COLUMN tags jsonb NOT NULL DEFAULT '[]'");
    }
};
