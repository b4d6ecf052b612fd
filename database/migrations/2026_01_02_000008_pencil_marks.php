<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Places that were found on a paper stand in pencil until its sender keeps them; those that name nobody wait for an answer. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            ALTER TABLE marks ADD COLUMN sure real CHECK (sure BETWEEN 0 AND 1);
            ALTER TABLE round_papers ADD COLUMN unclear jsonb NOT NULL DEFAULT '[]';
            SQL
        );
    }
};
