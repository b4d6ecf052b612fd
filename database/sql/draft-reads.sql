-- A colleague is asked to read drafts before anything is submitted, and pins what they notice.
CREATE TABLE IF NOT EXISTS draft_reads (
    id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    key character(26) NOT NULL,
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    deal_file_id bigint NOT NULL REFERENCES deal_files,
    side text,
    reader_id bigint NOT NULL REFERENCES users,
    user_id bigint NOT NULL REFERENCES users,
    message text NOT NULL DEFAULT '',
    papers jsonb NOT NULL,
    done_at timestamptz,
    created_at timestamptz NOT NULL DEFAULT now(),
    updated_at timestamptz NOT NULL DEFAULT now(),
    CONSTRAINT draft_read_key_once UNIQUE (key)
);
CREATE INDEX IF NOT EXISTS draft_reads_of_file ON draft_reads (deal_file_id);
CREATE INDEX IF NOT EXISTS draft_reads_waiting ON draft_reads (reader_id) WHERE done_at IS NULL;

CREATE TABLE IF NOT EXISTS draft_remarks (
    id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    key character(26) NOT NULL,
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    draft_read_id bigint NOT NULL REFERENCES draft_reads,
    paper_id bigint NOT NULL REFERENCES papers,
    page smallint,
    x numeric(7,2),
    y numeric(7,2),
    text text NOT NULL,
    user_id bigint NOT NULL REFERENCES users,
    at timestamptz NOT NULL DEFAULT now(),
    resolved_at timestamptz,
    CONSTRAINT draft_remark_key_once UNIQUE (key)
);
CREATE INDEX IF NOT EXISTS draft_remarks_of_read ON draft_remarks (draft_read_id);
