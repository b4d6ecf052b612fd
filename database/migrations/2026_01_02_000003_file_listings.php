<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** A paper may come from the listing exchange. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(
            "ALTER TABLE paper_versions DROP CONSTRAINT paper_versions_made_by_check;
            ALTER TABLE paper_versions ADD CHECK (made_by IN ('uploaded', 'sent', 'signed', 'computed', 'submitted', 'exchange'));",
        );
    }
};
