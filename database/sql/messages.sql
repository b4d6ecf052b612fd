-- Messages of a file: letters that its people write, and notes among themselves; who has read what; form letters and rules by
-- which letters go out by themselves.
CREATE TABLE IF NOT EXISTS form_letters (
    id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    key character(26) NOT NULL,
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    user_id bigint REFERENCES users,
    name text NOT NULL,
    subject text NOT NULL,
    body text NOT NULL,
    version integer NOT NULL DEFAULT 1,
    put_away_at timestamptz,
    created_at timestamptz NOT NULL DEFAULT now(),
    updated_at timestamptz NOT NULL DEFAULT now(),
    CONSTRAINT form_letter_key_once UNIQUE (key)
);
CREATE INDEX IF NOT EXISTS form_letters_of_brokerage ON form_letters (brokerage_id);

CREATE TABLE IF NOT EXISTS form_letter_versions (
    form_letter_id bigint NOT NULL REFERENCES form_letters,
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    version integer NOT NULL,
    name text NOT NULL,
    subject text NOT NULL,
    body text NOT NULL,
    made_by bigint REFERENCES users,
    made_at timestamptz NOT NULL DEFAULT now(),
    PRIMARY KEY (form_letter_id, version)
);

CREATE TABLE IF NOT EXISTS letter_rules (
    id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    key character(26) NOT NULL,
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    office_id bigint NOT NULL REFERENCES offices,
    form_letter_id bigint NOT NULL REFERENCES form_letters,
    event text NOT NULL,
    detail text NOT NULL DEFAULT '',
    days integer NOT NULL DEFAULT 0,
    audience jsonb NOT NULL DEFAULT '[]',
    on_since timestamptz,
    created_at timestamptz NOT NULL DEFAULT now(),
    updated_at timestamptz NOT NULL DEFAULT now(),
    CONSTRAINT letter_rule_key_once UNIQUE (key)
);
CREATE INDEX IF NOT EXISTS letter_rules_of_office ON letter_rules (brokerage_id, office_id);

-- What a rule did, and why: of each event once.
CREATE TABLE IF NOT EXISTS letter_rule_log (
    id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    letter_rule_id bigint NOT NULL REFERENCES letter_rules,
    deal_file_id bigint NOT NULL REFERENCES deal_files,
    event_key text NOT NULL,
    because text NOT NULL,
    did text NOT NULL,
    at timestamptz NOT NULL DEFAULT now(),
    CONSTRAINT letter_rule_once UNIQUE (letter_rule_id, event_key)
);
CREATE INDEX IF NOT EXISTS letter_rule_log_of_file ON letter_rule_log (deal_file_id);

-- Addresses that asked for no letters that go out by themselves.
CREATE TABLE IF NOT EXISTS letters_refused (
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    address text NOT NULL,
    at timestamptz NOT NULL DEFAULT now(),
    PRIMARY KEY (brokerage_id, address)
);

CREATE TABLE IF NOT EXISTS messages (
    id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    key character(26) NOT NULL,
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    deal_file_id bigint NOT NULL REFERENCES deal_files,
    side text,
    user_id bigint REFERENCES users,
    kind text NOT NULL DEFAULT 'letter',
    state text NOT NULL DEFAULT 'draft',
    subject text NOT NULL DEFAULT '',
    body text NOT NULL DEFAULT '',
    recipients jsonb NOT NULL DEFAULT '[]',
    apart boolean NOT NULL DEFAULT false,
    papers jsonb NOT NULL DEFAULT '[]',
    as_link boolean NOT NULL DEFAULT false,
    set_id bigint REFERENCES assembled_sets,
    planned jsonb NOT NULL DEFAULT '[]',
    answers bigint REFERENCES inbound_items,
    letter_rule_id bigint REFERENCES letter_rules,
    send_at timestamptz,
    sent_at timestamptz,
    held_because text NOT NULL DEFAULT '',
    opened_in text NOT NULL DEFAULT '',
    created_at timestamptz NOT NULL DEFAULT now(),
    updated_at timestamptz NOT NULL DEFAULT now(),
    CONSTRAINT message_key_once UNIQUE (key)
);
CREATE INDEX IF NOT EXISTS messages_of_file ON messages (deal_file_id, id);
CREATE INDEX IF NOT EXISTS messages_to_send ON messages (brokerage_id, send_at) WHERE state = 'waiting';

CREATE TABLE IF NOT EXISTS message_looks (
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    deal_file_id bigint NOT NULL REFERENCES deal_files,
    thing text NOT NULL,
    user_id bigint NOT NULL REFERENCES users,
    at timestamptz NOT NULL DEFAULT now(),
    PRIMARY KEY (deal_file_id, thing, user_id)
);

ALTER TABLE letters ADD COLUMN IF NOT EXISTS message_id bigint REFERENCES messages;
ALTER TABLE letters ADD COLUMN IF NOT EXISTS own_words boolean NOT NULL DEFAULT false;
ALTER TABLE letters ADD COLUMN IF NOT EXISTS others jsonb NOT NULL DEFAULT '[]';
ALTER TABLE letters ADD COLUMN IF NOT EXISTS more_attached jsonb NOT NULL DEFAULT '[]';
ALTER TABLE letters ADD COLUMN IF NOT EXISTS reply_to text;
ALTER TABLE letters ADD COLUMN IF NOT EXISTS sender_name text;
ALTER TABLE letters ADD COLUMN IF NOT EXISTS in_reply_to text;
ALTER TABLE letters ADD COLUMN IF NOT EXISTS reference_ids text;
ALTER TABLE letters ADD COLUMN IF NOT EXISTS no_more text;
CREATE INDEX IF NOT EXISTS letters_of_message ON letters (message_id) WHERE message_id IS NOT NULL;

ALTER TABLE inbound_items ADD COLUMN IF NOT EXISTS answers_message bigint REFERENCES messages;
ALTER TABLE inbound_items ADD COLUMN IF NOT EXISTS answers_letter bigint REFERENCES letters;
ALTER TABLE inbound_items ADD COLUMN IF NOT EXISTS names_before jsonb NOT NULL DEFAULT '[]';
CREATE INDEX IF NOT EXISTS inbound_of_file ON inbound_items (filed_into) WHERE filed_into IS NOT NULL;

ALTER TABLE users ADD COLUMN IF NOT EXISTS letter_signature text NOT NULL DEFAULT '';

-- A letter of one office, and rules that are no longer wanted.
ALTER TABLE form_letters ADD COLUMN IF NOT EXISTS office_id bigint REFERENCES offices;
ALTER TABLE letter_rules ADD COLUMN IF NOT EXISTS removed_at timestamptz;
