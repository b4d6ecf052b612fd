<?php

declare(strict_types=1);

use Database\WhoSeesWhat;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** What papers say is kept as it is looked for. What was read before is found once it is brought in again. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared((string) file_get_contents(database_path('sql/review.sql')));
        WhoSeesWhat::apply();
    }
};
