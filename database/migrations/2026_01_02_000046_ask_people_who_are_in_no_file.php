<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** Somebody who is asked to sign in one round alone is nobody of the file. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            ALTER TABLE signers ALTER COLUMN party_id DROP NOT NULL;
            ALTER TABLE signers DROP CONSTRAINT IF EXISTS nobody_of_the_file;
            ALTER TABLE signers ADD CONSTRAINT nobody_of_the_file CHECK ((party_id IS NULL) = (seat LIKE 'signer.%'));
            SQL);
    }
};
