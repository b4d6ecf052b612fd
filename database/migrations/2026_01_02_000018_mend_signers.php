<?php

declare(strict_types=1);

use Database\WhoSeesWhat;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Someone else in a signer's place, and the code that is asked for before anything is shown. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(
            <<<'SQL'
            ALTER TABLE signers ADD COLUMN user_id bigint REFERENCES users;
            ALTER TABLE signers ADD COLUMN held smallint NOT NULL DEFAULT 0;
            ALTER TABLE signers ADD COLUMN code text;
            ALTER TABLE signers ADD COLUMN code_tries smallint NOT NULL DEFAULT 0;
            SQL
        );
        WhoSeesWhat::apply();
        DB::unprepared((string) file_get_contents(database_path('sql/stand-ins.sql')));
    }
};
