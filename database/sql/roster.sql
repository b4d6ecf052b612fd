-- People coming and going, who works on whose files, and what each must hold and renew.
CREATE TABLE IF NOT EXISTS covers (
    id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    key character(26) NOT NULL,
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    user_id bigint NOT NULL REFERENCES users,
    helper_id bigint NOT NULL REFERENCES users,
    kind text NOT NULL CHECK (kind IN ('assistant', 'team', 'vacation')),
    from_on date NOT NULL,
    until_on date,
    began_at timestamptz,
    ended_at timestamptz,
    created_by bigint REFERENCES users,
    created_at timestamptz NOT NULL DEFAULT now(),
    updated_at timestamptz NOT NULL DEFAULT now(),
    CONSTRAINT cover_key_once UNIQUE (key),
    CONSTRAINT nobody_covers_themselves CHECK (user_id <> helper_id)
);
CREATE UNIQUE INDEX IF NOT EXISTS one_cover_at_a_time ON covers (user_id, helper_id) WHERE ended_at IS NULL;
ALTER TABLE file_members ADD COLUMN IF NOT EXISTS through bigint REFERENCES covers;
CREATE INDEX IF NOT EXISTS members_through ON file_members (through) WHERE through IS NOT NULL;

-- Whoever helps an agent is in each file that the agent is in, also in new ones, with their side.
CREATE OR REPLACE FUNCTION helpers_come_along() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
BEGIN
    INSERT INTO file_members (brokerage_id, deal_file_id, user_id, role, side, through)
        SELECT NEW.brokerage_id, NEW.deal_file_id, c.helper_id, 'coordinator', NEW.side, c.id FROM covers c
        WHERE c.user_id = NEW.user_id AND c.brokerage_id = NEW.brokerage_id AND c.began_at IS NOT NULL AND c.ended_at IS NULL
    ON CONFLICT (deal_file_id, user_id) DO NOTHING;
    RETURN NULL;
END $$;
CREATE OR REPLACE TRIGGER helpers_come_along AFTER INSERT ON file_members FOR EACH ROW WHEN (NEW.through IS NULL AND NEW.role = 'agent') EXECUTE FUNCTION helpers_come_along();
-- And goes when the agent does.
CREATE OR REPLACE FUNCTION helpers_go_along() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
BEGIN
    DELETE FROM file_members m USING covers c WHERE m.deal_file_id = OLD.deal_file_id AND m.through = c.id AND c.user_id = OLD.user_id;
    RETURN NULL;
END $$;
CREATE OR REPLACE TRIGGER helpers_go_along AFTER DELETE ON file_members FOR EACH ROW WHEN (OLD.through IS NULL) EXECUTE FUNCTION helpers_go_along();

CREATE TABLE IF NOT EXISTS roster_cases (
    id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    key character(26) NOT NULL,
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    user_id bigint NOT NULL REFERENCES users,
    office_id bigint NOT NULL REFERENCES offices,
    kind text NOT NULL,
    day date NOT NULL,
    goes_to text NOT NULL DEFAULT '',
    papers_file bigint REFERENCES deal_files,
    settled_at timestamptz,
    canceled_at timestamptz,
    created_by bigint REFERENCES users,
    created_at timestamptz NOT NULL DEFAULT now(),
    updated_at timestamptz NOT NULL DEFAULT now(),
    CONSTRAINT roster_case_key_once UNIQUE (key)
);
CREATE UNIQUE INDEX IF NOT EXISTS one_case_at_a_time ON roster_cases (user_id, kind) WHERE settled_at IS NULL AND canceled_at IS NULL;

CREATE TABLE IF NOT EXISTS roster_steps (
    id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    key character(26) NOT NULL,
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    roster_case_id bigint NOT NULL REFERENCES roster_cases,
    title text NOT NULL,
    by_role text NOT NULL,
    due_on date,
    done_at timestamptz,
    done_by bigint REFERENCES users,
    created_at timestamptz NOT NULL DEFAULT now(),
    updated_at timestamptz NOT NULL DEFAULT now(),
    CONSTRAINT roster_step_key_once UNIQUE (key)
);
CREATE INDEX IF NOT EXISTS steps_of_case ON roster_steps (roster_case_id);

CREATE TABLE IF NOT EXISTS roster_fates (
    roster_case_id bigint NOT NULL REFERENCES roster_cases,
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    deal_file_id bigint NOT NULL REFERENCES deal_files,
    fate text NOT NULL,
    to_user bigint REFERENCES users,
    decided_at timestamptz NOT NULL DEFAULT now(),
    PRIMARY KEY (roster_case_id, deal_file_id)
);

CREATE TABLE IF NOT EXISTS credentials (
    id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    key character(26) NOT NULL,
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    user_id bigint NOT NULL REFERENCES users,
    kind text NOT NULL,
    number text NOT NULL DEFAULT '',
    expires_on date NOT NULL,
    reminded jsonb NOT NULL DEFAULT '[]',
    dropped_at timestamptz,
    created_at timestamptz NOT NULL DEFAULT now(),
    updated_at timestamptz NOT NULL DEFAULT now(),
    CONSTRAINT credential_key_once UNIQUE (key)
);
CREATE INDEX IF NOT EXISTS credentials_of_person ON credentials (user_id);

-- Begun: into every file of the agent that is not over. Ended: out of all of them.
CREATE OR REPLACE FUNCTION let_helper_in(wanted bigint) RETURNS void LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
BEGIN
    INSERT INTO file_members (brokerage_id, deal_file_id, user_id, role, side, through)
        SELECT m.brokerage_id, m.deal_file_id, c.helper_id, 'coordinator', m.side, c.id
        FROM covers c JOIN file_members m ON m.user_id = c.user_id AND m.role = 'agent' AND m.through IS NULL
        JOIN deal_files f ON f.id = m.deal_file_id AND NOT f.practice AND f.status IN ('preparing', 'active', 'under_contract')
        WHERE c.id = wanted AND c.brokerage_id = session_of('brokerage')::bigint AND c.began_at IS NOT NULL AND c.ended_at IS NULL
    ON CONFLICT (deal_file_id, user_id) DO NOTHING;
END $$;
CREATE OR REPLACE FUNCTION let_helper_go(wanted bigint) RETURNS void LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
BEGIN
    DELETE FROM file_members m USING covers c WHERE c.id = wanted AND c.brokerage_id = session_of('brokerage')::bigint AND m.through = c.id;
END $$;

ALTER TABLE offices ADD COLUMN IF NOT EXISTS coordinator_rule text NOT NULL DEFAULT '';
-- Open files by coordinator, also those that whoever asks does not see: numbers alone.
CREATE OR REPLACE FUNCTION files_of_coordinators(office bigint) RETURNS TABLE (user_id bigint, count bigint) LANGUAGE plpgsql STABLE SECURITY DEFINER SET search_path = public AS $$
#variable_conflict use_column
BEGIN
    RETURN QUERY SELECT m.user_id, count(*) FROM file_members m JOIN deal_files f ON f.id = m.deal_file_id
        WHERE m.role = 'coordinator' AND m.through IS NULL AND f.status IN ('preparing', 'active', 'under_contract') AND NOT f.practice
          AND m.brokerage_id = session_of('brokerage')::bigint
          AND m.user_id IN (SELECT r.user_id FROM office_roles r WHERE r.office_id = office AND r.role = 'coordinator')
        GROUP BY m.user_id;
END $$;

-- What an office does when somebody comes or goes, where it says otherwise than usual.
CREATE TABLE IF NOT EXISTS roster_kits (
    id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    office_id bigint NOT NULL REFERENCES offices,
    kind text NOT NULL,
    version integer NOT NULL DEFAULT 1,
    steps jsonb NOT NULL,
    documents jsonb NOT NULL,
    CONSTRAINT roster_kit_once UNIQUE (office_id, kind)
);
