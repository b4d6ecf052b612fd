<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * Whether a row's file is in sight is asked row by row, by the file's key: left to itself the planner reads every file of
 * the house first to answer for a handful of rows. OFFSET 0 keeps it from doing so.
 */
return new class extends Migration
{
    public function up(): void
    {
        foreach (DB::select("SELECT tablename, policyname, qual FROM pg_policies WHERE schemaname = 'public' AND qual ~ 'EXISTS'") as $policy) {
            $qual = (string) preg_replace('/(\( SELECT 1\s+FROM \w+ \w+\s+WHERE \(\w+\.id = \w+\.\w+\))\)/', '$1 OFFSET 0)', $policy->qual);
            $qual === $policy->qual || DB::unprepared("ALTER POLICY {$policy->policyname} ON {$policy->tablename} USING ({$qual})");
        }
        DB::unprepared("CREATE INDEX files_still_open ON deal_files (brokerage_id, id) WHERE status IN ('preparing', 'active', 'under_contract')");
    }
};
