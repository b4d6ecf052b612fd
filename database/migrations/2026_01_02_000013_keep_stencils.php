<?php

declare(strict_types=1);

use Database\WhoSeesWhat;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Stencils, where they were not made with the rounds, and which of them a paper of a round goes by. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared((string) file_get_contents(database_path('sql/stencils.sql')));
        DB::unprepared("ALTER TABLE round_papers ADD COLUMN stencil jsonb NOT NULL DEFAULT '{}'");
        WhoSeesWhat::apply();
    }
};
