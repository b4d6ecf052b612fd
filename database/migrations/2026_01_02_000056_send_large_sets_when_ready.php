<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        // To whom it goes once it is put together: ids of parties, emptied when it went.
        DB::statement("ALTER TABLE assembled_sets ADD COLUMN for_parties jsonb NOT NULL DEFAULT '[]'");
    }
};
