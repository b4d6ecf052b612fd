-- How an office reviews; a first reader's acceptance where two are asked; and what is looked at once more.
ALTER TABLE offices ADD COLUMN IF NOT EXISTS review jsonb NOT NULL DEFAULT '{}';
ALTER TABLE requirements ADD COLUMN IF NOT EXISTS first_accepted_by bigint REFERENCES users;
ALTER TABLE requirements ADD COLUMN IF NOT EXISTS spot_at timestamptz;
ALTER TABLE requirements ADD COLUMN IF NOT EXISTS spot_by bigint REFERENCES users;
CREATE INDEX IF NOT EXISTS spot_checks ON requirements (spot_at) WHERE spot_at IS NOT NULL AND spot_by IS NULL;
