-- A client's own page, by link: what is asked of them, what comes next, what they signed.
CREATE TABLE IF NOT EXISTS client_pages (
    id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    key character(26) NOT NULL,
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    deal_file_id bigint NOT NULL REFERENCES deal_files,
    party_id bigint NOT NULL REFERENCES parties ON DELETE CASCADE,
    side text,
    link_version smallint NOT NULL DEFAULT 1,
    is_on boolean NOT NULL DEFAULT true,
    language text NOT NULL DEFAULT 'en',
    user_id bigint NOT NULL REFERENCES users,
    opened_at timestamptz,
    created_at timestamptz NOT NULL DEFAULT now(),
    updated_at timestamptz NOT NULL DEFAULT now(),
    CONSTRAINT client_page_key_once UNIQUE (key),
    CONSTRAINT client_page_once UNIQUE (party_id)
);
CREATE INDEX IF NOT EXISTS client_pages_of_file ON client_pages (deal_file_id);
