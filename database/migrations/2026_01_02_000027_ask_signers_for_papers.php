<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Papers that a signer is asked to add while they sign. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared("ALTER TABLE signers ADD COLUMN asks jsonb NOT NULL DEFAULT '[]'");
        DB::unprepared((string) file_get_contents(database_path('sql/asked-papers.sql')));
    }
};
