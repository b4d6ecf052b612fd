<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Until which hour of its last day a round can be signed. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared('ALTER TABLE rounds ADD COLUMN last_time text');
    }
};
