<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** A letter that the mail system took and brought back. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            ALTER TABLE letters ADD COLUMN returned_at timestamptz;
            ALTER TABLE letters ADD COLUMN returned_because text;
            SQL
        );
    }
};
