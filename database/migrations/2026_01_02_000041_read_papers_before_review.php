<?php

declare(strict_types=1);

use Database\WhoSeesWhat;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Papers are read before a reviewer looks; remarks are answered, resolved and opened again. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared((string) file_get_contents(database_path('sql/review.sql')));
        WhoSeesWhat::apply();
    }
};
