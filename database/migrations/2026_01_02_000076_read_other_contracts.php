<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** What scanned contracts on other forms say of a deal is kept with their texts. */
return new class extends Migration
{
    public function up(): void
    {
        DB::statement("ALTER TABLE version_texts ADD COLUMN IF NOT EXISTS said jsonb NOT NULL DEFAULT '[]'");
    }
};
