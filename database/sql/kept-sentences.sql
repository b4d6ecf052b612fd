-- Sentences that a reviewer keeps, with fields of the deal in them; one's own, or everybody's who reviews.
CREATE TABLE IF NOT EXISTS kept_sentences (
    id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    key character(26) NOT NULL,
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    user_id bigint REFERENCES users,
    text text NOT NULL,
    created_at timestamptz NOT NULL DEFAULT now(),
    updated_at timestamptz NOT NULL DEFAULT now(),
    CONSTRAINT kept_sentence_key_once UNIQUE (key)
);
CREATE INDEX IF NOT EXISTS kept_sentences_of_brokerage ON kept_sentences (brokerage_id);

-- Which version of a paper a reviewer has looked at.
CREATE TABLE IF NOT EXISTS review_looks (
    requirement_id bigint NOT NULL REFERENCES requirements ON DELETE CASCADE,
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    paper_version_id bigint NOT NULL REFERENCES paper_versions,
    user_id bigint NOT NULL REFERENCES users,
    at timestamptz NOT NULL DEFAULT now(),
    PRIMARY KEY (requirement_id, user_id, paper_version_id)
);
