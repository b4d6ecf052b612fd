-- What the roles of an office may do, where the office says otherwise than usual.
CREATE TABLE IF NOT EXISTS office_permissions (
    id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    office_id bigint NOT NULL REFERENCES offices,
    permission text NOT NULL,
    roles text[] NOT NULL CHECK (cardinality(roles) > 0),
    CONSTRAINT permission_once UNIQUE (office_id, permission)
);
