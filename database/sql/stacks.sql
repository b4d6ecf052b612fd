-- Stacks on the sorting table: what lies on it, what was read of it, and each step of sorting, so that all can be undone.
CREATE TABLE IF NOT EXISTS stacks (
    id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    key character(26) NOT NULL,
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    deal_file_id bigint REFERENCES deal_files,
    side text,
    staff_only boolean NOT NULL DEFAULT false,
    user_id bigint REFERENCES users,
    name text NOT NULL,
    upload_id bigint REFERENCES uploads,
    paper_id bigint REFERENCES papers,
    items jsonb NOT NULL DEFAULT '[]',
    sources jsonb NOT NULL DEFAULT '[]',
    reads jsonb NOT NULL DEFAULT '[]',
    told text NOT NULL DEFAULT '',
    step integer NOT NULL DEFAULT 0,
    last_step integer NOT NULL DEFAULT 0,
    ready_at timestamptz,
    filed jsonb NOT NULL DEFAULT '[]',
    settled_at timestamptz,
    settled_by bigint REFERENCES users,
    created_at timestamptz NOT NULL DEFAULT now(),
    updated_at timestamptz NOT NULL DEFAULT now(),
    CONSTRAINT stack_key_once UNIQUE (key)
);
CREATE UNIQUE INDEX IF NOT EXISTS one_open_stack_an_upload ON stacks (upload_id) WHERE settled_at IS NULL;
CREATE UNIQUE INDEX IF NOT EXISTS one_open_stack_a_paper ON stacks (paper_id) WHERE settled_at IS NULL;
CREATE INDEX IF NOT EXISTS open_stacks ON stacks (brokerage_id, id) WHERE settled_at IS NULL;
CREATE INDEX IF NOT EXISTS stacks_of_file ON stacks (deal_file_id);

CREATE TABLE IF NOT EXISTS stack_layouts (
    stack_id bigint NOT NULL REFERENCES stacks,
    number integer NOT NULL,
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    layout jsonb NOT NULL,
    user_id bigint REFERENCES users,
    at timestamptz NOT NULL DEFAULT now(),
    PRIMARY KEY (stack_id, number)
);
CREATE INDEX IF NOT EXISTS stacks_of_mail ON stacks (((items->>0)::bigint)) WHERE user_id IS NULL;
