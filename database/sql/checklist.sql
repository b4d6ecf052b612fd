-- The checklist: until when a paper is asked for, what does not apply, what is done instead of brought, and what goes with what.
ALTER TABLE requirements ADD COLUMN IF NOT EXISTS due_anchor text;
ALTER TABLE requirements ADD COLUMN IF NOT EXISTS due_days integer NOT NULL DEFAULT 0;
ALTER TABLE requirements ADD COLUMN IF NOT EXISTS due_on date;
ALTER TABLE requirements ADD COLUMN IF NOT EXISTS off_asked_at timestamptz;
ALTER TABLE requirements ADD COLUMN IF NOT EXISTS off_asked_by bigint REFERENCES users;
ALTER TABLE requirements ADD COLUMN IF NOT EXISTS off_asked_why text NOT NULL DEFAULT '';
ALTER TABLE requirements ADD COLUMN IF NOT EXISTS coming jsonb NOT NULL DEFAULT '[]';
CREATE INDEX IF NOT EXISTS requirements_due ON requirements (due_on) WHERE review_state IN ('not_submitted', 'sent_back');
ALTER TABLE papers ADD COLUMN IF NOT EXISTS is_action boolean NOT NULL DEFAULT false;
ALTER TABLE papers ADD COLUMN IF NOT EXISTS done_note text NOT NULL DEFAULT '';

-- Further papers that a requirement is met by, beside its own.
CREATE TABLE IF NOT EXISTS requirement_papers (
    id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    deal_file_id bigint NOT NULL REFERENCES deal_files,
    requirement_id bigint NOT NULL REFERENCES requirements ON DELETE CASCADE,
    paper_id bigint NOT NULL REFERENCES papers,
    CONSTRAINT once_with_a_requirement UNIQUE (requirement_id, paper_id)
);
CREATE INDEX IF NOT EXISTS requirements_of_further_paper ON requirement_papers (paper_id);
-- Beside the rows they tell of, so that a file page asks for those only where there are any.
ALTER TABLE requirements ADD COLUMN IF NOT EXISTS has_further boolean NOT NULL DEFAULT false;
ALTER TABLE deal_files ADD COLUMN IF NOT EXISTS has_reads boolean NOT NULL DEFAULT false;
