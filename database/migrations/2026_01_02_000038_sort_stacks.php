<?php

declare(strict_types=1);

use Database\WhoSeesWhat;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Stacks of pages are sorted into papers on a table, each step of which can be undone. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared((string) file_get_contents(database_path('sql/stacks.sql')));
        WhoSeesWhat::apply();
    }
};
