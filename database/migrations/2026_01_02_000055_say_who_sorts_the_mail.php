<?php

declare(strict_types=1);

use Database\WhoSeesWhat;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** A brokerage says which roles sort the mail that came to nobody's own address. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared((string) file_get_contents(database_path('sql/mail-people.sql')));
        WhoSeesWhat::apply();
    }
};
