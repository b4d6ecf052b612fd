<?php

declare(strict_types=1);

use Database\WhoSeesWhat;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Papers are mailed to a person as to a file, and wait in that person's inbox. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared((string) file_get_contents(database_path('sql/mail-people.sql')));
        WhoSeesWhat::apply();
    }
};
