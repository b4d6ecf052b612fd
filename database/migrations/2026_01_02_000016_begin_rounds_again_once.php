<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** From which ended round another was begun: pressed twice, it is begun once. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared('ALTER TABLE rounds ADD COLUMN again_of bigint REFERENCES rounds');
    }
};
