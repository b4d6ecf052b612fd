<?php

declare(strict_types=1);

use Database\WhoSeesWhat;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Requirements have a day, may be done instead of brought, may not apply, and are met by several papers. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared((string) file_get_contents(database_path('sql/checklist.sql')));
        WhoSeesWhat::apply();
    }
};
