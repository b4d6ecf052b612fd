<?php

declare(strict_types=1);

use Database\WhoSeesWhat;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Authorizations are numbered and may be withdrawn; what was paid, debts and yearly caps are kept. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared((string) file_get_contents(database_path('sql/disbursements.sql')));
        WhoSeesWhat::apply();
    }
};
