<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** In which language somebody reads what they sign. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            ALTER TABLE parties ADD COLUMN language text NOT NULL DEFAULT 'en';
            ALTER TABLE signers ADD COLUMN language text NOT NULL DEFAULT 'en';
            SQL
        );
    }
};
