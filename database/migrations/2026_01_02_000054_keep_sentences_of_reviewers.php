<?php

declare(strict_types=1);

use Database\WhoSeesWhat;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Reviewers keep sentences, and it is known what each has looked at. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared((string) file_get_contents(database_path('sql/kept-sentences.sql')));
        DB::unprepared((string) file_get_contents(database_path('sql/checklist.sql')));
        WhoSeesWhat::apply();
    }
};
