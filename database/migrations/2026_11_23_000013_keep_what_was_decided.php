<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** What was decided upon stays as it was: the figures a disbursement was authorized on, the form a reviewer accepted. And each paper knows its latest version. */
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
            -- The latest version stands on the paper itself: a board of sixty papers asks for it at every look.
            ALTER TABLE papers ADD COLUMN latest_version_id bigint REFERENCES paper_versions;
            UPDATE papers p SET latest_version_id = (SELECT v.id FROM paper_versions v WHERE v.paper_id = p.id ORDER BY v.number DESC LIMIT 1);
            CREATE FUNCTION latest_version_is_known() RETURNS trigger LANGUAGE plpgsql AS $$
                BEGIN
                    UPDATE papers SET latest_version_id = NEW.id WHERE id = NEW.paper_id;
                    RETURN NEW;
                END
            $$;
            CREATE TRIGGER latest_version_is_known AFTER INSERT ON paper_versions FOR EACH ROW EXECUTE FUNCTION latest_version_is_known();
        SQL);
    }

    public function down(): void
    {
        DB::unprepared('DROP TRIGGER latest_version_is_known ON paper_versions; DROP FUNCTION latest_version_is_known(); ALTER TABLE papers DROP COLUMN latest_version_id; ALTER TABLE commissions DROP COLUMN price, DROP COLUMN agent_name');
    }
};
