<?php

declare(strict_types=1);

use Database\WhoSeesWhat;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** People coming and going, and who works on whose files. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared((string) file_get_contents(database_path('sql/roster.sql')));
        WhoSeesWhat::apply();
    }
};
