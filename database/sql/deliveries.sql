-- To whom an executed paper was delivered, when and how; once for each version and person.
CREATE TABLE IF NOT EXISTS deliveries (
    id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    deal_file_id bigint NOT NULL REFERENCES deal_files,
    paper_id bigint NOT NULL REFERENCES papers,
    paper_version_id bigint NOT NULL REFERENCES paper_versions,
    party_id bigint NOT NULL REFERENCES parties ON DELETE CASCADE,
    how text NOT NULL,
    note text NOT NULL DEFAULT '',
    on_day date NOT NULL,
    user_id bigint REFERENCES users,
    at timestamptz NOT NULL DEFAULT now(),
    CONSTRAINT delivered_once UNIQUE (paper_version_id, party_id)
);
CREATE INDEX IF NOT EXISTS deliveries_of_file ON deliveries (deal_file_id);
