<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** An offer may have come as a paper: which version of it was recorded. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared('ALTER TABLE offers ADD COLUMN IF NOT EXISTS version_id bigint REFERENCES paper_versions;');
    }
};
