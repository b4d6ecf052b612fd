-- When something of the installation itself was done last: by the scheduler, by a backup.
CREATE TABLE IF NOT EXISTS installation_marks (
    name text PRIMARY KEY,
    at timestamptz NOT NULL
);
