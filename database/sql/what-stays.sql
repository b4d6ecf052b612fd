-- What stays as it is: history, entries and events are only ever added to, and what was sent for signature does not change.
-- Together with a few values that the database keeps by itself. Applied anew whenever it changes, before who-sees-what.sql.

-- 1. Only added to

-- A file whose time is over is purged as a whole (retention.sql): its own function says so, and works as the owner of the tables.
CREATE OR REPLACE FUNCTION is_being_purged() RETURNS boolean LANGUAGE plpgsql STABLE AS $$
BEGIN
    RETURN coalesce(current_setting('unanimus.purging', true) = 'yes', false) AND current_user <> 'unanimus_app' AND session_of('sight') = 'all';
END $$;

CREATE OR REPLACE FUNCTION refuse_change() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
    IF is_being_purged() THEN
        IF TG_OP = 'DELETE' THEN RETURN OLD; END IF;
        RETURN NEW;
    END IF;
    RAISE EXCEPTION '% is append-only', TG_TABLE_NAME USING ERRCODE = 'restrict_violation';
END $$;
CREATE OR REPLACE TRIGGER history_is_append_only BEFORE UPDATE OR DELETE ON history FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE OR REPLACE TRIGGER history_is_never_emptied BEFORE TRUNCATE ON history EXECUTE FUNCTION refuse_change();
CREATE OR REPLACE TRIGGER brokerage_history_is_append_only BEFORE UPDATE OR DELETE ON brokerage_history FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE OR REPLACE TRIGGER brokerage_history_is_never_emptied BEFORE TRUNCATE ON brokerage_history EXECUTE FUNCTION refuse_change();
CREATE OR REPLACE TRIGGER entries_are_append_only BEFORE UPDATE OR DELETE ON paper_entries FOR EACH ROW EXECUTE FUNCTION refuse_change();
-- What was done in a rehearsal goes with it.
CREATE OR REPLACE FUNCTION refuse_change_of_event() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
BEGIN
    IF TG_OP = 'DELETE' AND (is_being_purged() OR (SELECT r.rehearsal FROM rounds r WHERE r.id = OLD.round_id)) THEN RETURN OLD; END IF;
    IF TG_OP = 'UPDATE' AND is_being_purged() THEN RETURN NEW; END IF;
    RAISE EXCEPTION '% is append-only', TG_TABLE_NAME USING ERRCODE = 'restrict_violation';
END $$;
CREATE OR REPLACE TRIGGER events_are_append_only BEFORE UPDATE OR DELETE ON round_events FOR EACH ROW EXECUTE FUNCTION refuse_change_of_event();

-- What was authorized stays as it was; besides, it is noted what became of it.
CREATE OR REPLACE TRIGGER figures_stay_once_authorized BEFORE UPDATE ON disbursements FOR EACH ROW
    WHEN ((OLD.commission_id, OLD.number, OLD.closing, OLD.price, OLD.gross, OLD.company, OLD.reckoned, OLD.wording, OLD.despite, OLD.authorized_at,
        OLD.authorized_by) IS DISTINCT FROM (NEW.commission_id, NEW.number, NEW.closing, NEW.price, NEW.gross, NEW.company, NEW.reckoned,
        NEW.wording, NEW.despite, NEW.authorized_at, NEW.authorized_by)
        OR (OLD.withdrawn_at IS NOT NULL AND NEW.withdrawn_at IS DISTINCT FROM OLD.withdrawn_at))
    EXECUTE FUNCTION refuse_change();

-- A message that went out stays as it was sent.
CREATE OR REPLACE TRIGGER messages_stay_once_sent BEFORE UPDATE ON messages FOR EACH ROW
    WHEN (OLD.state = 'sent' AND (OLD.deal_file_id, OLD.side, OLD.user_id, OLD.kind, OLD.state, OLD.subject, OLD.body, OLD.recipients, OLD.papers,
        OLD.planned, OLD.sent_at) IS DISTINCT FROM (NEW.deal_file_id, NEW.side, NEW.user_id, NEW.kind, NEW.state, NEW.subject, NEW.body,
        NEW.recipients, NEW.papers, NEW.planned, NEW.sent_at))
    EXECUTE FUNCTION refuse_change();

CREATE OR REPLACE TRIGGER payments_are_struck_only BEFORE UPDATE ON payments FOR EACH ROW
    WHEN ((OLD.disbursement_id, OLD.payee, OLD.amount, OLD.how, OLD.reference, OLD.paid_on, OLD.user_id)
        IS DISTINCT FROM (NEW.disbursement_id, NEW.payee, NEW.amount, NEW.how, NEW.reference, NEW.paid_on, NEW.user_id)
        OR OLD.struck_at IS NOT NULL)
    EXECUTE FUNCTION refuse_change();

-- 2. What was sent

CREATE OR REPLACE FUNCTION refuse_once_sent() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
DECLARE standing text;
BEGIN
    SELECT r.status INTO standing FROM rounds r WHERE r.id = CASE WHEN TG_OP = 'INSERT' THEN NEW.round_id ELSE OLD.round_id END;
    IF standing IS NOT NULL AND standing <> 'drafting' AND NOT is_being_purged() THEN
        RAISE EXCEPTION '% of a round that was sent cannot be changed', TG_TABLE_NAME USING ERRCODE = 'restrict_violation';
    END IF;
    IF TG_OP = 'DELETE' THEN RETURN OLD; END IF;
    RETURN NEW;
END $$;
CREATE OR REPLACE TRIGGER marks_stay_once_sent BEFORE INSERT OR UPDATE OR DELETE ON marks FOR EACH ROW EXECUTE FUNCTION refuse_once_sent();
CREATE OR REPLACE TRIGGER papers_stay_once_sent BEFORE INSERT OR UPDATE OR DELETE ON round_papers FOR EACH ROW EXECUTE FUNCTION refuse_once_sent();
CREATE OR REPLACE TRIGGER signers_come_and_go_before_sending BEFORE INSERT OR DELETE ON signers FOR EACH ROW EXECUTE FUNCTION refuse_once_sent();
CREATE OR REPLACE TRIGGER signers_stay_once_sent BEFORE UPDATE ON signers FOR EACH ROW
    WHEN ((OLD.round_id, OLD.party_id, OLD.seat, OLD.turn) IS DISTINCT FROM (NEW.round_id, NEW.party_id, NEW.seat, NEW.turn))
    EXECUTE FUNCTION refuse_once_sent();

CREATE OR REPLACE FUNCTION refuse_unsending() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
    IF TG_OP = 'DELETE' AND (is_being_purged() OR to_jsonb(OLD)->'rehearsal' = 'true') THEN RETURN OLD; END IF;
    IF OLD.status <> 'drafting' AND (TG_OP = 'DELETE' OR NEW.status = 'drafting' OR NEW.deal_file_id <> OLD.deal_file_id) THEN
        RAISE EXCEPTION 'a round that was sent stays' USING ERRCODE = 'restrict_violation';
    END IF;
    IF TG_OP = 'DELETE' THEN RETURN OLD; END IF;
    RETURN NEW;
END $$;
CREATE OR REPLACE TRIGGER rounds_stay_once_sent BEFORE UPDATE OR DELETE ON rounds FOR EACH ROW EXECUTE FUNCTION refuse_unsending();

-- 3. Histories: each entry carries the hash of the one before it, over all of its columns. Who and when come from the
--    session, never from the statement; an entry goes behind the last one, whether or not who adds it sees that one.

-- What time it is, asked in one place: while the demo's data is made, and only then, its owner puts the days of the story here.
CREATE OR REPLACE FUNCTION the_moment() RETURNS timestamptz LANGUAGE sql VOLATILE AS $$ SELECT clock_timestamp() $$;

CREATE OR REPLACE FUNCTION chain_part(value text) RETURNS text LANGUAGE sql IMMUTABLE AS $$
    SELECT CASE WHEN value IS NULL THEN '-;' ELSE octet_length(value) || ':' || value || ';' END $$;
CREATE OR REPLACE FUNCTION chain_moment(value timestamptz) RETURNS text LANGUAGE sql STABLE AS $$
    SELECT chain_part(to_char(value AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US"Z"')) $$;
CREATE OR REPLACE FUNCTION chain_hash(h history) RETURNS text LANGUAGE sql STABLE AS $$
    SELECT encode(sha256(convert_to(h.before || E'\n' || chain_part(h.brokerage_id::text) || chain_part(h.deal_file_id::text) || chain_part(h.seq::text)
        || chain_moment(h.at) || chain_part(h.who) || chain_part(h.user_id::text) || chain_part(h.what)
        || chain_part(h.data::text) || chain_part(h.side) || chain_part(h.staff_only::text), 'UTF8')), 'hex') $$;
CREATE OR REPLACE FUNCTION chain_hash(h brokerage_history) RETURNS text LANGUAGE sql STABLE AS $$
    SELECT encode(sha256(convert_to(h.before || E'\n' || chain_part(h.brokerage_id::text) || chain_part(h.office_id::text) || chain_part(h.seq::text)
        || chain_moment(h.at) || chain_part(h.who) || chain_part(h.user_id::text) || chain_part(h.what) || chain_part(h.data::text), 'UTF8')), 'hex') $$;
CREATE OR REPLACE FUNCTION acting_name(person bigint, brokerage bigint) RETURNS text LANGUAGE plpgsql STABLE SECURITY DEFINER SET search_path = public AS $$
BEGIN
    RETURN coalesce(session_of('outsider'), (SELECT u.name FROM users u WHERE u.id = person AND u.brokerage_id = brokerage), 'Unanimus');
END $$;
REVOKE ALL ON FUNCTION acting_name(bigint, bigint) FROM PUBLIC;

CREATE OR REPLACE FUNCTION add_history(file bigint, given_what text, given_data jsonb, given_side text, given_staff boolean)
    RETURNS TABLE (new_seq integer, new_hash text) LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
DECLARE h history; last_seq integer;
BEGIN
    h.brokerage_id := session_of('brokerage')::bigint;
    IF NOT EXISTS (SELECT 1 FROM deal_files f WHERE f.id = file AND f.brokerage_id = h.brokerage_id) THEN
        RAISE EXCEPTION 'no such file in this brokerage' USING ERRCODE = 'insufficient_privilege';
    END IF;
    PERFORM pg_advisory_xact_lock(1, (file % 2147483647)::int);
    SELECT l.seq, l.hash INTO last_seq, h.before FROM history l WHERE l.deal_file_id = file ORDER BY l.seq DESC LIMIT 1;
    h.deal_file_id := file;
    h.seq := coalesce(last_seq, 0) + 1;
    h.before := coalesce(h.before, repeat('0', 64));
    h.at := the_moment();
    h.user_id := CASE WHEN session_of('outsider') IS NULL THEN session_of('actor')::bigint END;
    h.who := acting_name(h.user_id, h.brokerage_id);
    h.what := given_what;
    h.data := given_data;
    h.side := given_side;
    h.staff_only := given_staff;
    h.hash := chain_hash(h);
    INSERT INTO history (brokerage_id, deal_file_id, seq, at, who, user_id, what, data, before, hash, side, staff_only)
        VALUES (h.brokerage_id, h.deal_file_id, h.seq, h.at, h.who, h.user_id, h.what, h.data, h.before, h.hash, h.side, h.staff_only);
    RETURN QUERY SELECT h.seq, h.hash::text;
END $$;

CREATE OR REPLACE FUNCTION add_brokerage_history(office bigint, given_what text, given_data jsonb)
    RETURNS TABLE (new_seq integer, new_hash text) LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
DECLARE h brokerage_history; last_seq integer;
BEGIN
    h.brokerage_id := session_of('brokerage')::bigint;
    IF h.brokerage_id IS NULL OR (office IS NOT NULL AND NOT EXISTS (SELECT 1 FROM offices o WHERE o.id = office AND o.brokerage_id = h.brokerage_id)) THEN
        RAISE EXCEPTION 'no such office in this brokerage' USING ERRCODE = 'insufficient_privilege';
    END IF;
    PERFORM pg_advisory_xact_lock(3, (h.brokerage_id % 2147483647)::int);
    SELECT l.seq, l.hash INTO last_seq, h.before FROM brokerage_history l WHERE l.brokerage_id = h.brokerage_id ORDER BY l.seq DESC LIMIT 1;
    h.office_id := office;
    h.seq := coalesce(last_seq, 0) + 1;
    h.before := coalesce(h.before, repeat('0', 64));
    h.at := the_moment();
    h.user_id := CASE WHEN session_of('outsider') IS NULL THEN session_of('actor')::bigint END;
    h.who := acting_name(h.user_id, h.brokerage_id);
    h.what := given_what;
    h.data := given_data;
    h.hash := chain_hash(h);
    INSERT INTO brokerage_history (brokerage_id, office_id, seq, at, who, user_id, what, data, before, hash)
        VALUES (h.brokerage_id, h.office_id, h.seq, h.at, h.who, h.user_id, h.what, h.data, h.before, h.hash);
    RETURN QUERY SELECT h.seq, h.hash::text;
END $$;

-- 4. Values the database keeps by itself

-- The latest version stands on the paper itself: a board of sixty papers asks for it at every look.
CREATE OR REPLACE FUNCTION latest_version_is_known() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
    UPDATE papers SET latest_version_id = NEW.id WHERE id = NEW.paper_id;
    RETURN NEW;
END $$;
CREATE OR REPLACE TRIGGER latest_version_is_known AFTER INSERT ON paper_versions FOR EACH ROW EXECUTE FUNCTION latest_version_is_known();

CREATE OR REPLACE FUNCTION know_the_words() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
BEGIN
    -- In their order, so that two who bring the same new words do not wait for each other in a ring.
    INSERT INTO search_words SELECT DISTINCT NEW.brokerage_id, w FROM unnest(string_to_array(NEW.words, ' ')) AS w WHERE length(w) > 3 ORDER BY w ON CONFLICT DO NOTHING;
    RETURN NULL;
END $$;
CREATE OR REPLACE TRIGGER words_are_known AFTER INSERT OR UPDATE OF words ON search_rows FOR EACH ROW EXECUTE FUNCTION know_the_words();
