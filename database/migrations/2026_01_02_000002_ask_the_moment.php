<?php

declare(strict_types=1);

use Database\WhoSeesWhat;
use Illuminate\Database\Migrations\Migration;

/** Histories ask for the time in one place. */
return new class extends Migration
{
    public function up(): void
    {
        WhoSeesWhat::apply();
    }
};
