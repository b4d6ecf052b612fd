<?php

declare(strict_types=1);

use Database\WhoSeesWhat;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Beside the set of a round each of its papers is sealed on its own, since lenders and escrow take single papers. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            ALTER TABLE sealed_sets ADD COLUMN round_paper_id bigint REFERENCES round_papers;
            ALTER TABLE sealed_sets DROP CONSTRAINT round_sealed_once;
            CREATE UNIQUE INDEX round_sealed_once ON sealed_sets (round_id) WHERE round_paper_id IS NULL;
            CREATE UNIQUE INDEX paper_sealed_once ON sealed_sets (round_paper_id) WHERE round_paper_id IS NOT NULL;
            SQL
        );
        WhoSeesWhat::apply();
    }
};
