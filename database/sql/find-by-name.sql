-- A letter is held against the people of all files: found by name and by address, however many files there are.
CREATE INDEX IF NOT EXISTS parties_by_name ON parties (brokerage_id, lower(name));
CREATE INDEX IF NOT EXISTS parties_by_address ON party_contacts (brokerage_id, lower(email));
