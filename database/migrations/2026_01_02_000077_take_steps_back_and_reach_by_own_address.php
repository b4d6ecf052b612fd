<?php

declare(strict_types=1);

use Database\WhoSeesWhat;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** What is done on the desk of a round can be taken back, also on another device; a brokerage is reached at an address of its own. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared((string) file_get_contents(database_path('sql/desk-steps.sql')));
        DB::unprepared((string) file_get_contents(database_path('sql/own-addresses.sql')));
        WhoSeesWhat::apply();
    }
};
