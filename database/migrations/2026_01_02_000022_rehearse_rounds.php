<?php

declare(strict_types=1);

use Database\WhoSeesWhat;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** A rehearsal of a round: the same for its sender alone, without effect on the file, gone after a week. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            ALTER TABLE rounds ADD COLUMN rehearsal boolean NOT NULL DEFAULT false;
            ALTER TABLE rounds ADD COLUMN rehearsal_of bigint REFERENCES rounds ON DELETE SET NULL;
            SQL
        );
        WhoSeesWhat::apply();
        DB::unprepared((string) file_get_contents(database_path('sql/rehearsals.sql')));
    }
};
