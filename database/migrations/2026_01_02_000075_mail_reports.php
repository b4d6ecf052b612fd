<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Reports are asked for by email, once. */
return new class extends Migration
{
    public function up(): void
    {
        DB::statement('ALTER TABLE kept_reports ADD COLUMN IF NOT EXISTS asked_at timestamptz');
    }
};
