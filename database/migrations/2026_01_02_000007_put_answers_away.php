<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** What a client has filled in waits on Today until whoever asked puts it away. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared('ALTER TABLE fill_requests ADD COLUMN seen_at timestamptz');
    }
};
