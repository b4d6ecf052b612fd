<?php

declare(strict_types=1);

use Database\WhoSeesWhat;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * Working copies: papers that the other side's agent has signed by their own clients from here, without an account. They work
 * as a guest in a small file of their own, which nobody of the brokerage sees; what comes back is proposed to the file.
 */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared((string) file_get_contents(database_path('sql/working-copies.sql')));
        WhoSeesWhat::apply();
    }
};
