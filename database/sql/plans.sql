-- Agents' plans, each version in force from a day; and what each authorized sheet counted in an agent's plan year. What a sale
-- that does not close had counted counts no more, as its file says so.
CREATE TABLE IF NOT EXISTS agent_plans (
    id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    key character(26) NOT NULL,
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    user_id bigint NOT NULL REFERENCES users,
    from_day date NOT NULL,
    plan jsonb NOT NULL,
    opening jsonb NOT NULL DEFAULT '{}',
    made_by bigint NOT NULL REFERENCES users,
    created_at timestamptz NOT NULL DEFAULT now(),
    updated_at timestamptz NOT NULL DEFAULT now(),
    CONSTRAINT agent_plan_key_once UNIQUE (key),
    CONSTRAINT one_plan_a_day UNIQUE (user_id, from_day)
);

CREATE TABLE IF NOT EXISTS plan_counts (
    commission_id bigint NOT NULL REFERENCES commissions,
    user_id bigint NOT NULL REFERENCES users,
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    deal_file_id bigint NOT NULL REFERENCES deal_files,
    closing date NOT NULL,
    year_begins date NOT NULL,
    cn numeric(14,2) NOT NULL,
    company numeric(14,2) NOT NULL,
    after_cap numeric(14,2) NOT NULL,
    paid numeric(14,2) NOT NULL DEFAULT 0,
    PRIMARY KEY (commission_id, user_id)
);
CREATE INDEX IF NOT EXISTS plan_counts_of_agent ON plan_counts (user_id, year_begins);

ALTER TABLE commissions ADD COLUMN IF NOT EXISTS given jsonb NOT NULL DEFAULT '{}';
ALTER TABLE commissions ADD COLUMN IF NOT EXISTS reckoned jsonb;
ALTER TABLE commissions ALTER COLUMN agent_share DROP NOT NULL;
