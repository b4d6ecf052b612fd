<?php

declare(strict_types=1);

use Database\WhoSeesWhat;
use Illuminate\Database\Migrations\Migration;

/** Reports speak of the same deals of the same people; days that are but compared are summed faster. */
return new class extends Migration
{
    public function up(): void
    {
        WhoSeesWhat::apply();
    }
};
