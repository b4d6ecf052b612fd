-- Papers that the other side's agent has signed from here, as a guest in a small file of their own.
ALTER TABLE users ADD COLUMN IF NOT EXISTS guest boolean NOT NULL DEFAULT false;
ALTER TABLE deal_files ADD COLUMN IF NOT EXISTS guest boolean NOT NULL DEFAULT false;

CREATE TABLE IF NOT EXISTS working_copies (
    id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    key character(26) NOT NULL,
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    deal_file_id bigint NOT NULL REFERENCES deal_files,
    guest_file_id bigint NOT NULL REFERENCES deal_files,
    guest_id bigint NOT NULL REFERENCES users,
    name text NOT NULL,
    firm text NOT NULL DEFAULT '',
    email text NOT NULL DEFAULT '',
    message text NOT NULL DEFAULT '',
    last_day date NOT NULL,
    link_version smallint NOT NULL DEFAULT 1,
    opened_at timestamptz,
    ended_at timestamptz,
    user_id bigint NOT NULL REFERENCES users,
    created_at timestamptz NOT NULL DEFAULT now(),
    updated_at timestamptz NOT NULL DEFAULT now(),
    CONSTRAINT working_copy_key_once UNIQUE (key),
    CONSTRAINT one_working_copy_per_guest UNIQUE (guest_id),
    CONSTRAINT one_working_copy_per_guest_file UNIQUE (guest_file_id)
);
CREATE INDEX IF NOT EXISTS working_copies_of_file ON working_copies (deal_file_id);

CREATE TABLE IF NOT EXISTS working_copy_papers (
    id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    key character(26) NOT NULL,
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    working_copy_id bigint NOT NULL REFERENCES working_copies,
    paper_id bigint NOT NULL REFERENCES papers,
    guest_paper_id bigint NOT NULL REFERENCES papers,
    given_sha256 character(64) NOT NULL,
    returned_sha256 character(64),
    returned_pages integer,
    returned_seats jsonb NOT NULL DEFAULT '[]',
    returned_at timestamptz,
    settled text CHECK (settled IN ('taken', 'left')),
    settled_at timestamptz,
    CONSTRAINT working_copy_paper_key_once UNIQUE (key),
    CONSTRAINT paper_once_in_working_copy UNIQUE (working_copy_id, paper_id),
    CONSTRAINT guest_paper_once UNIQUE (guest_paper_id)
);
CREATE INDEX IF NOT EXISTS working_copies_of_paper ON working_copy_papers (paper_id);
