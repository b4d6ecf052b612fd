<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** In which language somebody fills in, or reads over. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            ALTER TABLE fill_requests ADD COLUMN language text NOT NULL DEFAULT 'en';
            ALTER TABLE reading_copies ADD COLUMN language text NOT NULL DEFAULT 'en';
            SQL
        );
    }
};
