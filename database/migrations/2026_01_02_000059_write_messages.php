<?php

declare(strict_types=1);

use Database\WhoSeesWhat;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Letters that people of a file write, notes, form letters, letters that go out by themselves, and clients' own pages. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared((string) file_get_contents(database_path('sql/messages.sql')));
        DB::unprepared((string) file_get_contents(database_path('sql/client-pages.sql')));
        WhoSeesWhat::apply();
    }
};
