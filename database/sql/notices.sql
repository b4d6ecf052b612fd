-- What people are told of. A notice is its person's alone.
CREATE TABLE IF NOT EXISTS notices (
    id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    key character(26) NOT NULL,
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    user_id bigint NOT NULL REFERENCES users,
    deal_file_id bigint REFERENCES deal_files,
    kind text NOT NULL,
    subject text NOT NULL,
    body text NOT NULL DEFAULT '',
    label text NOT NULL DEFAULT '',
    action text,
    once_key text NOT NULL,
    choice text NOT NULL,
    -- When it is to be mailed by itself; null: a letter of its own went out, it waits for the digest, or it is not mailed.
    mail_at timestamptz,
    mailed_at timestamptz,
    seen_at timestamptz,
    at timestamptz NOT NULL DEFAULT clock_timestamp(),
    CONSTRAINT notice_key_once UNIQUE (key),
    CONSTRAINT noticed_once UNIQUE (user_id, once_key)
);
CREATE INDEX IF NOT EXISTS notices_of_person ON notices (user_id, id DESC);
CREATE INDEX IF NOT EXISTS notices_not_seen ON notices (user_id) WHERE seen_at IS NULL;
CREATE INDEX IF NOT EXISTS notices_to_mail ON notices (brokerage_id, mail_at) WHERE mail_at IS NOT NULL AND mailed_at IS NULL;
CREATE INDEX IF NOT EXISTS notices_of_file ON notices (deal_file_id);
ALTER TABLE users ADD COLUMN IF NOT EXISTS notices jsonb NOT NULL DEFAULT '{}';
ALTER TABLE users ADD COLUMN IF NOT EXISTS digest_at timestamptz;
ALTER TABLE brokerages ADD COLUMN IF NOT EXISTS noticed_id bigint;
