<?php

declare(strict_types=1);

use Database\WhoSeesWhat;
use Illuminate\Database\Migrations\Migration;

/** Whoever holds a sealed set may ask whether it is one. */
return new class extends Migration
{
    public function up(): void
    {
        WhoSeesWhat::apply();
    }
};
