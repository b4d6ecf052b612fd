-- Mail that comes in: what was understood of it, to which file it seems to belong, and what became of it.
ALTER TABLE inbound_items ADD COLUMN IF NOT EXISTS recipients jsonb NOT NULL DEFAULT '[]';
ALTER TABLE inbound_items ADD COLUMN IF NOT EXISTS written_at timestamptz;
ALTER TABLE inbound_items ADD COLUMN IF NOT EXISTS proof jsonb NOT NULL DEFAULT '{}';
ALTER TABLE inbound_items ADD COLUMN IF NOT EXISTS is_auto boolean NOT NULL DEFAULT false;
ALTER TABLE inbound_items ADD COLUMN IF NOT EXISTS speaks_of_wiring boolean NOT NULL DEFAULT false;
ALTER TABLE inbound_items ADD COLUMN IF NOT EXISTS guessed_file bigint REFERENCES deal_files;
ALTER TABLE inbound_items ADD COLUMN IF NOT EXISTS guessed_by text NOT NULL DEFAULT '';
ALTER TABLE inbound_items ADD COLUMN IF NOT EXISTS sure real NOT NULL DEFAULT 0;
ALTER TABLE inbound_items ADD COLUMN IF NOT EXISTS filed_into bigint REFERENCES deal_files;
ALTER TABLE inbound_items ADD COLUMN IF NOT EXISTS settled_at timestamptz;
ALTER TABLE inbound_items ADD COLUMN IF NOT EXISTS settled_by bigint REFERENCES users;
CREATE INDEX IF NOT EXISTS inbound_waiting ON inbound_items (brokerage_id, id) WHERE settled_at IS NULL;

-- Readable with the address before it, not guessable, and renewed by another one.
CREATE OR REPLACE FUNCTION new_mail_code() RETURNS text LANGUAGE sql VOLATILE AS $$
    SELECT translate(encode(substr(sha256(gen_random_uuid()::text::bytea || gen_random_uuid()::text::bytea), 1, 5), 'hex'), '01ol', 'wxyz') $$;
ALTER TABLE deal_files ADD COLUMN IF NOT EXISTS mail_code text NOT NULL DEFAULT new_mail_code();
CREATE UNIQUE INDEX IF NOT EXISTS mail_code_once ON deal_files (mail_code);
