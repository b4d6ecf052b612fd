<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Papers that are signed before they have a deal file, or without ever having one; and the file they were put into. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            ALTER TABLE deal_files DROP CONSTRAINT deal_files_kind_check;
            ALTER TABLE deal_files ADD CONSTRAINT deal_files_kind_check CHECK (kind IN ('sale', 'lease', 'referral', 'papers'));
            ALTER TABLE deal_files ADD COLUMN put_into bigint REFERENCES deal_files;
            SQL
        );
    }
};
