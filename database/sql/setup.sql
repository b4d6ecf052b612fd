-- What the administrator of a new brokerage said of the steps of setting up; what is there counts by itself.
ALTER TABLE brokerages ADD COLUMN IF NOT EXISTS sets_up boolean NOT NULL DEFAULT false;
CREATE TABLE IF NOT EXISTS setup_steps (
    id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    step text NOT NULL,
    state text NOT NULL CHECK (state IN ('later', 'checked')),
    user_id bigint NOT NULL REFERENCES users,
    at timestamptz NOT NULL DEFAULT clock_timestamp(),
    UNIQUE (brokerage_id, step)
);
