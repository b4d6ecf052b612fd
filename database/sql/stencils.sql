-- Places to sign that are kept to be used again.
CREATE TABLE IF NOT EXISTS stencils (
    id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    key character(26) NOT NULL,
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    user_id bigint REFERENCES users,
    created_by bigint NOT NULL REFERENCES users,
    name text NOT NULL,
    definition jsonb NOT NULL,
    used integer NOT NULL DEFAULT 0,
    used_at timestamptz,
    put_away boolean NOT NULL DEFAULT false,
    created_at timestamptz NOT NULL DEFAULT now(),
    updated_at timestamptz NOT NULL DEFAULT now(),
    CONSTRAINT stencil_key_once UNIQUE (key)
);
