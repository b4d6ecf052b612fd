<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** What was decided upon stays as it was: the figures a disbursement was authorized on, the form a reviewer accepted. */
return new class extends Migration
{
    public function up(): void
    {
        DB::unprepared(<<<'SQL'
            ALTER TABLE commissions ADD COLUMN price numeric(14,2), ADD COLUMN agent_name text;
            UPDATE commissions c SET price = f.value::numeric FROM facts f
                WHERE c.authorized_at IS NOT NULL AND f.deal_file_id = c.deal_file_id AND f.name = 'price' AND f.value ~ '^\d{1,12}(\.\d{1,2})?$';
            ALTER TABLE paper_versions DROP CONSTRAINT paper_versions_made_by_check;
            ALTER TABLE paper_versions ADD CONSTRAINT paper_versions_made_by_check CHECK (made_by IN ('brought', 'sent', 'signed', 'computed', 'handed in'));
        SQL);
    }

    public function down(): void
    {
        DB::unprepared('ALTER TABLE commissions DROP COLUMN price, DROP COLUMN agent_name');
    }
};
