<?php

declare(strict_types=1);

use Database\WhoSeesWhat;
use Illuminate\Database\Migrations\Migration;

/** Of a single sealed paper those are told who signed on it. */
return new class extends Migration
{
    public function up(): void
    {
        WhoSeesWhat::apply();
    }
};
