-- A broker's own signature as rows of ink, for authorizations that carry it. Nothing of the picture it came from is kept.
CREATE TABLE IF NOT EXISTS signature_pictures (
    user_id bigint PRIMARY KEY REFERENCES users,
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    ink jsonb NOT NULL,
    set_at timestamptz NOT NULL DEFAULT now()
);
