<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** A paper that is but pictures is read while its round is composed. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared('ALTER TABLE round_papers ADD COLUMN reading boolean NOT NULL DEFAULT false');
    }
};
