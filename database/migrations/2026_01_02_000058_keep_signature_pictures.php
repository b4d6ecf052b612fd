<?php

declare(strict_types=1);

use Database\WhoSeesWhat;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** A broker's signature, drawn on the authorizations they give. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared((string) file_get_contents(database_path('sql/signature-pictures.sql')));
        WhoSeesWhat::apply();
    }
};
