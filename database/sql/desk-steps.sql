-- What was done on the desk of a round, step by step and by whom, so that it can be taken back until the round is sent.
CREATE TABLE IF NOT EXISTS desk_steps (
    id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    deal_file_id bigint NOT NULL REFERENCES deal_files,
    round_id bigint NOT NULL REFERENCES rounds ON DELETE CASCADE,
    user_id bigint NOT NULL REFERENCES users,
    step text NOT NULL,
    change json NOT NULL,
    taken_back boolean NOT NULL DEFAULT false,
    at timestamptz NOT NULL DEFAULT clock_timestamp(),
    CONSTRAINT desk_step_once UNIQUE (round_id, user_id, step)
);
