<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** A change of a signed paper: its pages as a paper of their own, until everybody has initialled what was changed. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            ALTER TABLE papers ADD COLUMN change_of bigint REFERENCES papers;
            CREATE INDEX changes_of_papers ON papers (change_of) WHERE (change_of IS NOT NULL);
            SQL
        );
    }
};
