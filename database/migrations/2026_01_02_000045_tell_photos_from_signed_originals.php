<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** What a version keeps beside its pages is a file signed digitally, or the photo they were cut out of. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            ALTER TABLE paper_versions ADD COLUMN IF NOT EXISTS from_photo boolean NOT NULL DEFAULT false;
            SQL);
    }
};
