<?php

declare(strict_types=1);

use Database\WhoSeesWhat;
use Illuminate\Database\Migrations\Migration;

/** Access and what must never change: database/sql, applied as it stands. */
return new class extends Migration
{
    public function up(): void
    {
        WhoSeesWhat::apply();
    }
};
