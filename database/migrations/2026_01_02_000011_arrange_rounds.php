<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Papers of a round are put in order, added and taken out until it is sent; what was looked at at the desk is known. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            ALTER TABLE round_papers ADD COLUMN place smallint NOT NULL DEFAULT 0, ADD COLUMN seen jsonb NOT NULL DEFAULT '[]';
            -- What was sent stays as it was; only its order is written where it is looked for now.
            ALTER TABLE round_papers DISABLE TRIGGER USER;
            UPDATE round_papers SET place = position;
            ALTER TABLE round_papers ENABLE TRIGGER USER;
            SQL
        );
    }
};
