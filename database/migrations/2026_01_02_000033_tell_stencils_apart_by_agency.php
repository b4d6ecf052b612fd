<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** For which agency relationship a stencil is meant; nothing: for any. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared('ALTER TABLE stencils ADD COLUMN agency varchar(20)');
    }
};
