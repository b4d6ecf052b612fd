-- What uploads say once they were read, for finding and for review; what the machine found and a reviewer set aside; and the
-- life of a remark: noted, sent, answered, resolved, opened again.
CREATE TABLE IF NOT EXISTS version_texts (
    paper_version_id bigint PRIMARY KEY REFERENCES paper_versions,
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    paper_id bigint NOT NULL REFERENCES papers,
    texts jsonb NOT NULL DEFAULT '{}',
    unwritten jsonb,
    at timestamptz NOT NULL DEFAULT now()
);
CREATE INDEX IF NOT EXISTS version_texts_of_paper ON version_texts (paper_id);
ALTER TABLE version_texts ADD COLUMN IF NOT EXISTS words text NOT NULL DEFAULT '';
CREATE INDEX IF NOT EXISTS version_texts_by_trigram ON version_texts USING gin (words gin_trgm_ops);

CREATE TABLE IF NOT EXISTS findings_set_aside (
    requirement_id bigint NOT NULL REFERENCES requirements ON DELETE CASCADE,
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    paper_version_id bigint NOT NULL REFERENCES paper_versions,
    finding text NOT NULL,
    user_id bigint NOT NULL REFERENCES users,
    at timestamptz NOT NULL DEFAULT now(),
    PRIMARY KEY (requirement_id, paper_version_id, finding)
);

ALTER TABLE remarks ADD COLUMN IF NOT EXISTS sent_at timestamptz;
ALTER TABLE remarks ADD COLUMN IF NOT EXISTS answer text NOT NULL DEFAULT '';
ALTER TABLE remarks ADD COLUMN IF NOT EXISTS answered_by bigint REFERENCES users;
ALTER TABLE remarks ADD COLUMN IF NOT EXISTS resolved_at timestamptz;
UPDATE remarks SET sent_at = at WHERE sent_at IS NULL AND at < now() - interval '1 second';

ALTER TABLE requirements ADD COLUMN IF NOT EXISTS needed_by timestamptz;
ALTER TABLE requirements ADD COLUMN IF NOT EXISTS needed_why text NOT NULL DEFAULT '';
ALTER TABLE requirements ADD COLUMN IF NOT EXISTS reviewer_id bigint REFERENCES users;
ALTER TABLE requirements ADD COLUMN IF NOT EXISTS taken_at timestamptz;
ALTER TABLE requirements ADD COLUMN IF NOT EXISTS read_version_id bigint REFERENCES paper_versions;
ALTER TABLE requirements ADD COLUMN IF NOT EXISTS times_sent_back smallint NOT NULL DEFAULT 0;

-- Where a paper that no form is known for is to be signed, and whether somebody has.
ALTER TABLE version_texts ADD COLUMN IF NOT EXISTS places jsonb NOT NULL DEFAULT '[]';
-- What a scan that is no form of ours says of a deal.
ALTER TABLE version_texts ADD COLUMN IF NOT EXISTS said jsonb NOT NULL DEFAULT '[]';
