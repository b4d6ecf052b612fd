-- The shelf: documents and links that everybody uses, in versions; and which files have which version.
CREATE TABLE IF NOT EXISTS shelf_items (
    id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    key character(26) NOT NULL,
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    office_id bigint REFERENCES offices,
    kind text NOT NULL,
    topic text NOT NULL,
    title text NOT NULL,
    url text,
    version integer NOT NULL DEFAULT 1,
    put_away_at timestamptz,
    created_at timestamptz NOT NULL DEFAULT now(),
    updated_at timestamptz NOT NULL DEFAULT now(),
    CONSTRAINT shelf_item_key_once UNIQUE (key)
);
CREATE INDEX IF NOT EXISTS shelf_of_brokerage ON shelf_items (brokerage_id);

CREATE TABLE IF NOT EXISTS shelf_versions (
    shelf_item_id bigint NOT NULL REFERENCES shelf_items,
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    version integer NOT NULL,
    sha256 character(64),
    came_as character(64),
    pages integer NOT NULL DEFAULT 0,
    name text NOT NULL DEFAULT '',
    url text,
    note text NOT NULL DEFAULT '',
    made_by bigint REFERENCES users,
    made_at timestamptz NOT NULL DEFAULT now(),
    PRIMARY KEY (shelf_item_id, version),
    FOREIGN KEY (brokerage_id, sha256) REFERENCES blobs (brokerage_id, sha256)
);

CREATE TABLE IF NOT EXISTS shelf_looks (
    shelf_item_id bigint NOT NULL REFERENCES shelf_items,
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    user_id bigint NOT NULL REFERENCES users,
    version integer NOT NULL,
    PRIMARY KEY (shelf_item_id, user_id)
);

ALTER TABLE papers ADD COLUMN IF NOT EXISTS shelf_item_id bigint REFERENCES shelf_items;
ALTER TABLE papers ADD COLUMN IF NOT EXISTS shelf_version integer;
CREATE INDEX IF NOT EXISTS papers_from_shelf ON papers (shelf_item_id) WHERE shelf_item_id IS NOT NULL;

-- A person's own sheet: made of what is known of them, and of words of their own.
ALTER TABLE shelf_items ADD COLUMN IF NOT EXISTS user_id bigint REFERENCES users;
ALTER TABLE shelf_items ADD COLUMN IF NOT EXISTS words text NOT NULL DEFAULT '';
ALTER TABLE shelf_items ADD COLUMN IF NOT EXISTS facts jsonb NOT NULL DEFAULT '{}';
CREATE UNIQUE INDEX IF NOT EXISTS one_sheet_a_person ON shelf_items (user_id) WHERE user_id IS NOT NULL;
