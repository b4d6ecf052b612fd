-- Files for practice: the whole job with invented people, seen by whoever practises alone, and gone once they let it go.
ALTER TABLE deal_files ADD COLUMN IF NOT EXISTS practice boolean NOT NULL DEFAULT false;
ALTER TABLE deal_files ADD COLUMN IF NOT EXISTS practice_over_at timestamptz;
