-- Who signed in when, from where; and for which roles a password alone is not enough.
ALTER TABLE brokerages ADD COLUMN IF NOT EXISTS two_step_roles text[] NOT NULL DEFAULT '{}';
ALTER TABLE users ADD COLUMN IF NOT EXISTS owes_two_step boolean NOT NULL DEFAULT false;
CREATE TABLE IF NOT EXISTS sign_ins (
    id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    user_id bigint NOT NULL REFERENCES users,
    at timestamptz NOT NULL DEFAULT clock_timestamp(),
    outcome text NOT NULL CHECK (outcome IN ('in', 'wrong password', 'wrong code')),
    device text NOT NULL DEFAULT '',
    address text NOT NULL DEFAULT ''
);
CREATE INDEX IF NOT EXISTS sign_ins_of_user ON sign_ins (user_id, id DESC);

-- Said once, by whoever changes a role or what roles need; a request that is answered has it with the person.
CREATE OR REPLACE FUNCTION say_who_owes_two_steps() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
DECLARE whose bigint; firm bigint;
BEGIN
    IF TG_TABLE_NAME = 'brokerages' THEN firm := NEW.id;
    ELSIF TG_OP = 'DELETE' THEN whose := OLD.user_id;
    ELSE whose := NEW.user_id;
    END IF;
    UPDATE users u SET owes_two_step = owes.now
    FROM (SELECT p.id, EXISTS (SELECT 1 FROM office_roles r JOIN brokerages b ON b.id = r.brokerage_id
            WHERE r.user_id = p.id AND r.role = ANY (b.two_step_roles)) AS now
          FROM users p WHERE p.id = whose OR p.brokerage_id = firm) owes
    WHERE u.id = owes.id AND u.owes_two_step <> owes.now;
    RETURN NULL;
END $$;
CREATE OR REPLACE TRIGGER say_who_owes_two_steps AFTER INSERT OR DELETE ON office_roles FOR EACH ROW EXECUTE FUNCTION say_who_owes_two_steps();
CREATE OR REPLACE TRIGGER say_who_owes_two_steps AFTER UPDATE OF two_step_roles ON brokerages FOR EACH ROW EXECUTE FUNCTION say_who_owes_two_steps();
