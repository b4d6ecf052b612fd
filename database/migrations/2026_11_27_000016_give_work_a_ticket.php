<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Of the jobs for one piece of work only the one begun last counts: its ticket stands in the row. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared('ALTER TABLE pending_work ADD COLUMN ticket integer NOT NULL DEFAULT 1');
    }
};
