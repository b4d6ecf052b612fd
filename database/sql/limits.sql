-- What an operator lets a brokerage have on an installation that it shares; null: as much as there is.
ALTER TABLE brokerages ADD COLUMN IF NOT EXISTS most_people integer CHECK (most_people > 0);
ALTER TABLE brokerages ADD COLUMN IF NOT EXISTS most_bytes bigint CHECK (most_bytes > 0);
