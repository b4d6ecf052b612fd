-- Papers that somebody without an account is asked to bring, by a link with a last day, each to its place in the file.
CREATE TABLE IF NOT EXISTS paper_requests (
    id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    key character(26) NOT NULL,
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    deal_file_id bigint NOT NULL REFERENCES deal_files,
    side text,
    name text NOT NULL,
    email text NOT NULL DEFAULT '',
    message text NOT NULL DEFAULT '',
    language text NOT NULL DEFAULT 'en',
    last_day date NOT NULL,
    link_version smallint NOT NULL DEFAULT 1,
    opened_at timestamptz,
    reminded_on date,
    ended_at timestamptz,
    user_id bigint NOT NULL REFERENCES users,
    created_at timestamptz NOT NULL DEFAULT now(),
    updated_at timestamptz NOT NULL DEFAULT now(),
    CONSTRAINT paper_request_key_once UNIQUE (key)
);
CREATE INDEX IF NOT EXISTS paper_requests_of_file ON paper_requests (deal_file_id);

CREATE TABLE IF NOT EXISTS asked_papers (
    id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    key character(26) NOT NULL,
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    paper_request_id bigint NOT NULL REFERENCES paper_requests,
    paper_id bigint REFERENCES papers,
    title text NOT NULL,
    brought jsonb NOT NULL DEFAULT '[]',
    CONSTRAINT asked_paper_key_once UNIQUE (key)
);
CREATE INDEX IF NOT EXISTS asked_papers_of_request ON asked_papers (paper_request_id);
CREATE INDEX IF NOT EXISTS asked_papers_of_paper ON asked_papers (paper_id);
