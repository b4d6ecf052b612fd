<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** A place asks for more than its kind: an entry of a format, one of several, or nothing unless another stands. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            ALTER TABLE marks ADD COLUMN terms jsonb NOT NULL DEFAULT '{}';
            ALTER TABLE signers ADD COLUMN capacity text NOT NULL DEFAULT '', ADD COLUMN company text NOT NULL DEFAULT '';
            SQL
        );
    }
};
