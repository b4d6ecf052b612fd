<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Printed words that lie under a place, found as it is put there. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared("ALTER TABLE marks ADD COLUMN covers text NOT NULL DEFAULT ''");
    }
};
