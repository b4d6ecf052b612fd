-- People have mail addresses of their own, as files do; what is sent to one waits in that person's inbox too.
CREATE OR REPLACE FUNCTION new_mail_code() RETURNS text LANGUAGE sql VOLATILE AS $$
    SELECT translate(encode(substr(sha256(gen_random_uuid()::text::bytea || gen_random_uuid()::text::bytea), 1, 5), 'hex'),
        '01ol', 'wxyz') $$;
ALTER TABLE users ADD COLUMN IF NOT EXISTS mail_code text NOT NULL DEFAULT new_mail_code();
CREATE UNIQUE INDEX IF NOT EXISTS person_mail_code_once ON users (mail_code);
ALTER TABLE inbound_items ADD COLUMN IF NOT EXISTS for_user bigint REFERENCES users;
CREATE INDEX IF NOT EXISTS inbound_of_person ON inbound_items (for_user);
-- A letter that was filed stands in its file, for the side that filed it.
ALTER TABLE inbound_items ADD COLUMN IF NOT EXISTS filed_into bigint REFERENCES deal_files;
ALTER TABLE inbound_items ADD COLUMN IF NOT EXISTS filed_side text;
CREATE INDEX IF NOT EXISTS inbound_of_file ON inbound_items (filed_into, id) WHERE filed_into IS NOT NULL;

-- Who sorts the mail that came to no person's own address, by role.
ALTER TABLE brokerages ADD COLUMN IF NOT EXISTS sorts_mail jsonb NOT NULL DEFAULT '["administrator", "broker", "coordinator"]';
