-- Moving in: the documents and lists that came along with a spreadsheet of files, and what became of each.
ALTER TABLE imports ADD COLUMN IF NOT EXISTS parcel_sha256 character(64);
ALTER TABLE imports ALTER COLUMN sha256 DROP NOT NULL;
ALTER TABLE imports ADD COLUMN IF NOT EXISTS root text NOT NULL DEFAULT '';
ALTER TABLE imports ADD COLUMN IF NOT EXISTS folders jsonb NOT NULL DEFAULT '{}';

CREATE TABLE IF NOT EXISTS moved_papers (
    id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    import_id bigint NOT NULL REFERENCES imports,
    path text NOT NULL,
    folder text NOT NULL,
    entry integer NOT NULL DEFAULT 0,
    bytes bigint NOT NULL,
    sha256 character(64),
    row_number integer,
    line text NOT NULL DEFAULT '',
    title text NOT NULL DEFAULT '',
    accepted boolean NOT NULL DEFAULT false,
    accepted_on date,
    accepted_by text NOT NULL DEFAULT '',
    outcome text NOT NULL DEFAULT 'unread' CHECK (outcome IN ('unread', 'waiting', 'taken', 'refused')),
    told text NOT NULL DEFAULT '',
    deal_file_id bigint REFERENCES deal_files,
    paper_id bigint REFERENCES papers,
    FOREIGN KEY (brokerage_id, sha256) REFERENCES blobs (brokerage_id, sha256),
    CONSTRAINT moved_paper_once UNIQUE (import_id, path)
);
CREATE INDEX IF NOT EXISTS moved_papers_of_row ON moved_papers (import_id, row_number);
CREATE INDEX IF NOT EXISTS moved_papers_of_file ON moved_papers (deal_file_id) WHERE deal_file_id IS NOT NULL;

CREATE TABLE IF NOT EXISTS moved_lines (
    id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    import_id bigint NOT NULL REFERENCES imports,
    kind text NOT NULL CHECK (kind IN ('documents', 'tasks', 'people', 'contacts')),
    number integer NOT NULL,
    cells jsonb NOT NULL,
    row_number integer,
    deal_file_id bigint REFERENCES deal_files,
    outcome text NOT NULL DEFAULT 'waiting' CHECK (outcome IN ('waiting', 'asked', 'done', 'refused')),
    told text NOT NULL DEFAULT '',
    CONSTRAINT moved_line_once UNIQUE (import_id, kind, number)
);

-- How something stood before the brokerage moved in, in words: nobody here accepted or did it.
ALTER TABLE requirements ADD COLUMN IF NOT EXISTS moved_in text NOT NULL DEFAULT '';
ALTER TABLE tasks ADD COLUMN IF NOT EXISTS moved_in text NOT NULL DEFAULT '';

-- What stands below the button of a letter.
ALTER TABLE letters ADD COLUMN IF NOT EXISTS closing text NOT NULL DEFAULT '';
