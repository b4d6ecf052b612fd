<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** An entry may be carried over from the listing or from another paper. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared('ALTER TABLE paper_entries ADD COLUMN source text');
    }
};
