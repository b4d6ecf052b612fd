-- Who sees what, and who may change it: everything the database decides about access, in one place. Applied anew whenever it
-- changes (a migration that calls WhoSeesWhat::apply()). The same lines are drawn in PHP by App\Access\Reach and
-- App\Policies; tests/App/WhoSeesWhatTest.php holds the two against each other, row by row.
--
-- Each transaction tells for whom it works: unanimus.brokerage, unanimus.person, unanimus.offices, unanimus.file (one file
-- as a whole) and unanimus.sight ('all' for the application itself). Without that nothing is seen. The application's role
-- owns nothing and cannot go around this.

-- 1. What the transaction told

CREATE OR REPLACE FUNCTION session_of(name text) RETURNS text LANGUAGE sql STABLE AS $$
    SELECT nullif(current_setting('unanimus.' || name, true), '') $$;

CREATE OR REPLACE FUNCTION who_asks() RETURNS text LANGUAGE sql STABLE AS $$
    SELECT format('%s|%s|%s|%s|%s|', session_of('brokerage'), session_of('person'), session_of('offices'), session_of('file'), session_of('sight')) $$;

CREATE OR REPLACE FUNCTION person_holds(wanted text[], office bigint) RETURNS boolean LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS $$
    SELECT coalesce(session_of('sight') = 'all', false) OR EXISTS (
        SELECT 1 FROM office_roles r JOIN users u ON u.id = r.user_id
        WHERE r.user_id = session_of('person')::bigint AND r.brokerage_id = session_of('brokerage')::bigint AND u.active
          AND r.role = ANY (wanted) AND (office IS NULL OR r.office_id = office)
    ) $$;

-- Who may where the office has said nothing; core/Access/Permission says the same, and a test holds the two together.
CREATE OR REPLACE FUNCTION usual_roles(what text) RETURNS text[] LANGUAGE sql IMMUTABLE AS $$
    SELECT CASE
        WHEN what = 'import_files' THEN '{agent,coordinator,broker}'::text[]
        WHEN what IN ('make_forms', 'keep_letters', 'keep_shelf', 'keep_contacts') THEN '{coordinator,broker,administrator}'::text[]
        WHEN what IN ('enact_forms', 'keep_rules', 'letter_rules', 'word_payments') THEN '{broker,administrator}'::text[]
        WHEN what = 'keep_plans' THEN '{bookkeeper,broker,administrator}'::text[]
        WHEN what = 'connect' THEN '{agent,coordinator,bookkeeper,broker,administrator}'::text[]
        ELSE '{}'::text[]
    END $$;

-- Whether the person may do something, in an office or in any.
CREATE OR REPLACE FUNCTION person_may(what text, office bigint) RETURNS boolean LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS $$
    SELECT coalesce(session_of('sight') = 'all', false) OR EXISTS (
        SELECT 1 FROM office_roles r JOIN users u ON u.id = r.user_id
        LEFT JOIN office_permissions p ON p.office_id = r.office_id AND p.permission = what
        WHERE r.user_id = session_of('person')::bigint AND r.brokerage_id = session_of('brokerage')::bigint AND u.active
          AND (office IS NULL OR r.office_id = office) AND r.role = ANY (coalesce(p.roles, usual_roles(what)))
    ) $$;

-- Whether the person keeps the plans of an agent: of those in the offices they answer for.
CREATE OR REPLACE FUNCTION keeps_plans_of(agent bigint) RETURNS boolean LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS $$
    SELECT coalesce(session_of('sight') = 'all', false) OR EXISTS (
        SELECT 1 FROM office_roles r WHERE r.user_id = agent AND r.brokerage_id = session_of('brokerage')::bigint
          AND person_may('keep_plans', r.office_id)
    ) $$;

CREATE OR REPLACE FUNCTION office_of(file bigint) RETURNS bigint LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS $$
    SELECT f.office_id FROM deal_files f WHERE f.id = file $$;

-- Whether the person sorts the mail: the brokerage says which roles do.
CREATE OR REPLACE FUNCTION person_sorts_mail() RETURNS boolean LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS $$
    SELECT coalesce(session_of('sight') = 'all', false) OR EXISTS (
        SELECT 1 FROM office_roles r JOIN users u ON u.id = r.user_id JOIN brokerages b ON b.id = r.brokerage_id
        WHERE r.user_id = session_of('person')::bigint AND r.brokerage_id = session_of('brokerage')::bigint AND u.active
          AND b.sorts_mail ? r.role
    ) $$;

-- 2. What is in sight. The answer for files asked about is remembered for the transaction, between strokes, which no name of an asker
-- has; for papers and requirements that for the last one: their rows come one after the other.

CREATE OR REPLACE FUNCTION file_in_sight(file bigint, asker text) RETURNS boolean LANGUAGE plpgsql STABLE AS $$
DECLARE
    seen text := current_setting('unanimus.seen', true);
BEGIN
    IF starts_with(seen, asker) AND strpos(seen, '/' || file || '/') > 0 THEN
        RETURN true;
    END IF;
    IF NOT EXISTS (SELECT 1 FROM deal_files f WHERE f.id = file) THEN
        RETURN false;
    END IF;
    -- Of very many the last ones, as a long list would be read again for each.
    PERFORM set_config('unanimus.seen', CASE WHEN starts_with(seen, asker) AND length(seen) < 4000 THEN seen ELSE asker || '/' END
        || file || '/', true);
    RETURN true;
END $$;

CREATE OR REPLACE FUNCTION paper_in_sight(wanted bigint, asker text) RETURNS boolean LANGUAGE plpgsql STABLE AS $$
BEGIN
    IF current_setting('unanimus.seen_paper', true) = asker || wanted THEN
        RETURN true;
    END IF;
    IF NOT EXISTS (SELECT 1 FROM papers p WHERE p.id = wanted) THEN
        RETURN false;
    END IF;
    PERFORM set_config('unanimus.seen_paper', asker || wanted, true);
    RETURN true;
END $$;

CREATE OR REPLACE FUNCTION requirement_in_sight(wanted bigint, asker text) RETURNS boolean LANGUAGE plpgsql STABLE AS $$
BEGIN
    IF current_setting('unanimus.seen_requirement', true) = asker || wanted THEN
        RETURN true;
    END IF;
    IF NOT EXISTS (SELECT 1 FROM requirements r WHERE r.id = wanted) THEN
        RETURN false;
    END IF;
    PERFORM set_config('unanimus.seen_requirement', asker || wanted, true);
    RETURN true;
END $$;

CREATE OR REPLACE FUNCTION round_in_sight(wanted bigint, asker text) RETURNS boolean LANGUAGE plpgsql STABLE AS $$
BEGIN
    IF current_setting('unanimus.seen_round', true) = asker || wanted THEN
        RETURN true;
    END IF;
    IF NOT EXISTS (SELECT 1 FROM rounds r WHERE r.id = wanted) THEN
        RETURN false;
    END IF;
    PERFORM set_config('unanimus.seen_round', asker || wanted, true);
    RETURN true;
END $$;

-- In a file of both sides: one's own side's, and for whoever answers for the office both.
CREATE OR REPLACE FUNCTION side_in_sight(file bigint, wanted text) RETURNS boolean LANGUAGE plpgsql STABLE AS $$
BEGIN
    RETURN wanted IS NULL OR session_of('sight') = 'all' OR session_of('file')::bigint = file
        OR EXISTS (SELECT 1 FROM deal_files f WHERE f.id = file AND f.office_id = ANY (session_of('offices')::bigint[]))
        OR EXISTS (SELECT 1 FROM file_members m WHERE m.deal_file_id = file AND m.user_id = session_of('person')::bigint AND (m.side IS NULL OR m.side = wanted));
END $$;

-- Papers for the office alone: those who answer for it and the file's coordinator see them, its agents do not.
CREATE OR REPLACE FUNCTION staff_in_sight(file bigint) RETURNS boolean LANGUAGE plpgsql STABLE AS $$
BEGIN
    RETURN session_of('sight') = 'all' OR session_of('file')::bigint = file
        OR EXISTS (SELECT 1 FROM deal_files f WHERE f.id = file AND f.office_id = ANY (session_of('offices')::bigint[]))
        OR EXISTS (SELECT 1 FROM file_members m WHERE m.deal_file_id = file AND m.user_id = session_of('person')::bigint AND m.role = 'coordinator');
END $$;

-- 3. What is found before anybody is known: one row, by its id, address or key, and nothing else of it than is needed.
--    A link's keyed hash is checked before anything is read.

CREATE OR REPLACE FUNCTION user_by_id(wanted bigint) RETURNS SETOF users LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS $$
    SELECT * FROM users WHERE id = wanted AND active $$;

CREATE OR REPLACE FUNCTION user_by_address(wanted text) RETURNS SETOF users LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS $$
    SELECT * FROM users WHERE lower(email) = lower(wanted) AND active AND NOT guest $$;

CREATE OR REPLACE FUNCTION user_by_key(wanted text) RETURNS SETOF users LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS $$
    SELECT * FROM users WHERE key = wanted AND active $$;

CREATE OR REPLACE FUNCTION device_is_remembered(person bigint, hashed text) RETURNS boolean LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
BEGIN
    -- The look itself notes that the device was used.
    UPDATE remembered_devices d SET used_at = clock_timestamp() WHERE d.user_id = person AND d.token_hash = hashed AND d.expires_at > clock_timestamp();
    RETURN FOUND;
END $$;

CREATE OR REPLACE FUNCTION signer_of_link(wanted text) RETURNS TABLE (signer_id bigint, brokerage_id bigint, deal_file_id bigint, link_version smallint)
    LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS $$
    SELECT s.id, s.brokerage_id, s.deal_file_id, s.link_version FROM signers s WHERE s.key = wanted $$;

-- Whoever holds a sealed set may ask whether it is one; what they are told stands in it.
CREATE OR REPLACE FUNCTION sealed_set_of(sum text) RETURNS TABLE (brokerage text, sealed_at timestamptz, zone text, signers text)
    LANGUAGE plpgsql STABLE SECURITY DEFINER SET search_path = public AS $$
#variable_conflict use_column
BEGIN
    -- Of a single paper those are told who signed on it.
    RETURN QUERY SELECT b.name, s.sealed_at, o.zone, (SELECT string_agg(g.name, ', ' ORDER BY g.turn, g.id) FROM signers g
        WHERE g.round_id = s.round_id AND g.part = 'signs' AND (s.round_paper_id IS NULL
            OR EXISTS (SELECT 1 FROM marks m WHERE m.round_paper_id = s.round_paper_id AND m.seat = g.seat)))
    FROM sealed_sets s JOIN brokerages b ON b.id = s.brokerage_id JOIN deal_files f ON f.id = s.deal_file_id JOIN offices o ON o.id = f.office_id
    WHERE s.sha256 = sum AND NOT f.practice ORDER BY s.id LIMIT 1;
END $$;

CREATE OR REPLACE FUNCTION fill_request_of_link(wanted text) RETURNS TABLE (id bigint, brokerage_id bigint, deal_file_id bigint, link_version smallint)
    LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS $$
    SELECT r.id, r.brokerage_id, r.deal_file_id, r.link_version FROM fill_requests r WHERE r.key = wanted $$;

CREATE OR REPLACE FUNCTION reading_copy_of_link(wanted text) RETURNS TABLE (id bigint, brokerage_id bigint, deal_file_id bigint, link_version smallint)
    LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS $$
    SELECT r.id, r.brokerage_id, r.deal_file_id, r.link_version FROM reading_copies r WHERE r.key = wanted $$;

CREATE OR REPLACE FUNCTION paper_request_of_link(wanted text) RETURNS TABLE (id bigint, brokerage_id bigint, deal_file_id bigint,
    link_version smallint) LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS $$
    SELECT p.id, p.brokerage_id, p.deal_file_id, p.link_version FROM paper_requests p WHERE p.key = wanted $$;

CREATE OR REPLACE FUNCTION client_page_of_link(wanted text) RETURNS TABLE (id bigint, brokerage_id bigint, deal_file_id bigint,
    link_version smallint) LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS $$
    SELECT c.id, c.brokerage_id, c.deal_file_id, c.link_version FROM client_pages c WHERE c.key = wanted $$;

CREATE OR REPLACE FUNCTION working_copy_of_link(wanted text) RETURNS TABLE (id bigint, brokerage_id bigint, deal_file_id bigint, link_version smallint)
    LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS $$
    SELECT w.id, w.brokerage_id, w.guest_file_id, w.link_version FROM working_copies w WHERE w.key = wanted $$;

-- A guest is no colleague: they sign in nowhere and hold no role, so that whoever works on a file may add one. Their address
-- in the table is none that letters reach; the one to write to stands beside it.
CREATE OR REPLACE FUNCTION add_guest(own_key text, called text, address text) RETURNS bigint
    LANGUAGE sql SECURITY DEFINER SET search_path = public AS $$
    INSERT INTO users (key, brokerage_id, name, email, invited_email, password, active, guest)
    VALUES (own_key, session_of('brokerage')::bigint, called, 'guest-' || lower(own_key) || '@guest.invalid', nullif(address, ''), '!', true, true) RETURNING id $$;

-- Only what is a practice, and only by whoever serves it.
CREATE OR REPLACE FUNCTION let_practice_go(wanted bigint) RETURNS void
    LANGUAGE sql SECURITY DEFINER SET search_path = public AS $$
    UPDATE deal_files f SET practice_over_at = clock_timestamp() WHERE f.practice
        AND (f.id = wanted OR f.id IN (SELECT w.guest_file_id FROM working_copies w WHERE w.deal_file_id = wanted)) AND f.practice_over_at IS NULL
        AND f.brokerage_id = session_of('brokerage')::bigint
        AND EXISTS (SELECT 1 FROM file_members m WHERE m.deal_file_id = wanted AND m.user_id = session_of('person')::bigint) $$;

CREATE OR REPLACE FUNCTION file_by_key(wanted text) RETURNS TABLE (file_id bigint, brokerage_id bigint, calendar_version smallint)
    LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS $$
    SELECT id, brokerage_id, calendar_version FROM deal_files WHERE key = wanted $$;

CREATE OR REPLACE FUNCTION brokerage_of_letter_box(wanted text) RETURNS bigint LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS $$
    SELECT id FROM brokerages WHERE intake_hash = wanted $$;

-- Whose the address of a file or a person is, by the code it ends in.
CREATE OR REPLACE FUNCTION brokerage_of_mail_code(wanted text) RETURNS bigint LANGUAGE plpgsql STABLE SECURITY DEFINER SET search_path = public AS $$
BEGIN
    RETURN coalesce((SELECT f.brokerage_id FROM deal_files f WHERE f.mail_code = wanted), (SELECT u.brokerage_id FROM users u WHERE u.mail_code = wanted AND NOT u.guest));
END $$;

CREATE OR REPLACE FUNCTION brokerages_at_work() RETURNS SETOF bigint LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS $$
    SELECT id FROM brokerages ORDER BY id $$;

-- What stands still, over all brokerages and without saying whose: for the answer to whether all is well.
CREATE OR REPLACE FUNCTION work_waiting() RETURNS TABLE (kind text, waiting bigint, fault text, next_try_at timestamptz)
    LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS $$
    SELECT w.kind, count(*), min(w.fault), min(w.next_try_at) FROM pending_work w WHERE w.fault IS NOT NULL GROUP BY w.kind ORDER BY w.kind $$;

-- How much there is of what an operator looks after, over all brokerages: numbers alone.
CREATE OR REPLACE FUNCTION installation_counts() RETURNS TABLE (what text, n bigint) LANGUAGE plpgsql STABLE SECURITY DEFINER SET search_path = public AS $$
BEGIN
    RETURN QUERY SELECT 'brokerages', count(*) FROM brokerages
    UNION ALL SELECT 'people', count(*) FROM users WHERE active AND NOT guest
    UNION ALL SELECT 'files_open', count(*) FROM deal_files WHERE status IN ('preparing', 'active', 'under_contract') AND NOT practice
    UNION ALL SELECT 'emails_late', count(*) FROM letters l WHERE l.sent_at IS NULL AND l.created_at < now() - interval '10 minutes'
        AND NOT EXISTS (SELECT 1 FROM pending_work w WHERE w.kind = 'letters' AND w.thing = l.id AND w.begun_at > now() - interval '10 minutes')
    UNION ALL SELECT 'emails_sent_today', count(*) FROM letters WHERE sent_at > now() - interval '1 day'
    UNION ALL SELECT 'seals_late', count(*) FROM rounds r WHERE r.status = 'complete' AND r.over_at < now() - interval '15 minutes'
        AND r.over_at > now() - interval '30 days' AND NOT r.rehearsal AND NOT EXISTS (SELECT 1 FROM sealed_sets s WHERE s.round_id = r.id)
    UNION ALL SELECT 'rounds_sealed_today', count(*) FROM sealed_sets WHERE sealed_at > now() - interval '1 day'
    UNION ALL SELECT 'work_waiting', count(*) FROM pending_work
    UNION ALL SELECT 'work_stopped', count(*) FROM pending_work WHERE stopped
    UNION ALL SELECT 'bytes_kept', coalesce(sum(size), 0)::bigint FROM blobs;
END $$;

-- 4. What is looked for over files that are not in sight: enough to warn or to count, nothing of the deal itself.

-- Other open files of the brokerage on the same listing or address.
CREATE OR REPLACE FUNCTION twins_of(brokerage bigint, number text, address text, own bigint) RETURNS TABLE (file_id bigint, key text, represents text, status text, office text, agent text)
    LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS $$
    SELECT f.id, f.key::text, f.represents, f.status, o.name, (SELECT u.name FROM file_members m JOIN users u ON u.id = m.user_id WHERE m.deal_file_id = f.id AND m.role = 'agent' ORDER BY m.id LIMIT 1)
    FROM deal_files f JOIN offices o ON o.id = f.office_id
    WHERE f.brokerage_id = brokerage AND brokerage = session_of('brokerage')::bigint AND f.id <> own AND NOT f.practice AND f.status IN ('preparing', 'active', 'under_contract')
      AND ((number <> '' AND f.listing_number = number) OR (address <> '' AND f.address_key = address))
    ORDER BY f.id LIMIT 5 $$;

-- The listing numbers (n:) and addresses (a:) that open files of the brokerage are about.
CREATE OR REPLACE FUNCTION listings_at_work(brokerage bigint) RETURNS SETOF text LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS $$
    SELECT 'n:' || upper(listing_number) FROM deal_files WHERE brokerage_id = brokerage AND brokerage = session_of('brokerage')::bigint AND NOT practice AND listing_number IS NOT NULL AND status IN ('preparing', 'active', 'under_contract')
    UNION SELECT 'a:' || address_key FROM deal_files WHERE brokerage_id = brokerage AND brokerage = session_of('brokerage')::bigint AND NOT practice AND address_key <> '' AND status IN ('preparing', 'active', 'under_contract') $$;

-- What an agent's sheets of a plan year have counted so far, whoever of their colleagues asks for a sheet they share. Sheets count
-- in the order of closing, then authorization: those up to a day and an hour, and those of one file, besides some commissions.
DROP FUNCTION IF EXISTS plan_year_so_far(bigint, date, bigint);
CREATE OR REPLACE FUNCTION plan_year_so_far(agent bigint, begins date, besides bigint[], file bigint, day date, hour timestamptz)
    RETURNS TABLE (cn numeric, company numeric, after_cap numeric) LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS $$
    SELECT coalesce(sum(c.cn), 0), coalesce(sum(c.company), 0), coalesce(sum(c.after_cap), 0)
    FROM plan_counts c JOIN disbursements d ON d.id = c.disbursement_id JOIN deal_files f ON f.id = c.deal_file_id
    WHERE c.user_id = agent AND c.year_begins = begins AND NOT c.commission_id = ANY (besides)
      AND (d.closing < day OR (d.closing = day AND d.authorized_at < hour) OR d.deal_file_id = file) AND d.withdrawn_at IS NULL
      AND c.brokerage_id = session_of('brokerage')::bigint AND f.status IN ('under_contract', 'closed') $$;

-- The same for yearly caps on the franchise fee (of an agent, or of an office where no agent is named) and on fees, by label.
CREATE OR REPLACE FUNCTION caps_so_far(counted text, agent bigint, office bigint, begins date, besides bigint[], file bigint, day date,
    hour timestamptz)
    RETURNS TABLE (label text, amount numeric) LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS $$
    SELECT c.label, sum(c.amount)
    FROM sheet_counts c JOIN disbursements d ON d.id = c.disbursement_id JOIN deal_files f ON f.id = c.deal_file_id
    WHERE c.what = counted AND c.user_id IS NOT DISTINCT FROM agent AND (agent IS NOT NULL OR c.office_id = office)
      AND c.year_begins = begins AND NOT d.commission_id = ANY (besides)
      AND (d.closing < day OR (d.closing = day AND d.authorized_at < hour) OR d.deal_file_id = file) AND d.withdrawn_at IS NULL
      AND c.brokerage_id = session_of('brokerage')::bigint AND f.status IN ('under_contract', 'closed')
    GROUP BY c.label $$;

-- What an agent still owes, in the order in which it is taken.
CREATE OR REPLACE FUNCTION debts_left(agent bigint, besides bigint[])
    RETURNS TABLE (id bigint, label text, payee text, amount numeric) LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS $$
    SELECT b.id, b.label, b.payee, b.amount - coalesce((SELECT sum(c.amount) FROM sheet_counts c
        JOIN disbursements d ON d.id = c.disbursement_id JOIN deal_files f ON f.id = c.deal_file_id
        WHERE c.debt_id = b.id AND NOT d.commission_id = ANY (besides) AND d.withdrawn_at IS NULL
          AND f.status IN ('under_contract', 'closed')), 0)
    FROM agent_debts b
    WHERE b.user_id = agent AND b.settled_at IS NULL AND b.brokerage_id = session_of('brokerage')::bigint
    ORDER BY b.id $$;

-- Sides of deals for reports: of the offices whose figures a person may see, and their own. Asked once for all rows instead of row by
-- row, as a brokerage's year is tens of thousands of them. Asked for some standings alone it looks at those alone.
DROP FUNCTION IF EXISTS deals_in_report(date, date, text[]);
DROP FUNCTION IF EXISTS closed_in_report(date, date, text, text, text);
DROP FUNCTION IF EXISTS sides_in_report(date, date, text[]);
CREATE OR REPLACE FUNCTION sides_in_report(first date, last date, standings text[])
    RETURNS TABLE (id bigint, key char(26), name text, office text, status text, kind text, represents text, labels jsonb, closed_on date,
        ended_on date, end_reason text, of_side text)
    LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS $$
    WITH seen AS MATERIALIZED (
        SELECT o.id FROM offices o WHERE o.brokerage_id = session_of('brokerage')::bigint
          AND person_holds('{broker,bookkeeper,administrator}', o.id)
    ), own AS MATERIALIZED (
        SELECT m.deal_file_id, m.side, m.role FROM file_members m WHERE m.user_id = session_of('person')::bigint
    )
    SELECT f.id, f.key, f.name, o.name, f.status, f.kind, f.represents, f.labels, f.closed_on, f.ended_on, f.end_reason, s.side
    FROM deal_files f JOIN offices o ON o.id = f.office_id LEFT JOIN own ON own.deal_file_id = f.id
    CROSS JOIN LATERAL unnest(CASE WHEN f.represents <> 'both' THEN ARRAY[NULL::text]
        WHEN f.kind = 'lease' THEN '{landlord,tenant}'::text[] ELSE '{seller,buyer}'::text[] END) AS s(side)
    WHERE f.brokerage_id = session_of('brokerage')::bigint AND NOT f.practice AND session_of('sight') IS DISTINCT FROM 'guest'
      AND f.status = ANY (standings) AND (f.status = 'under_contract'
          OR (f.status = 'closed' AND (f.closed_on IS NULL OR f.closed_on BETWEEN first AND last))
          OR (f.status IN ('terminated', 'expired', 'withdrawn') AND f.ended_on BETWEEN first AND last))
      AND (f.office_id IN (SELECT seen.id FROM seen)
          OR (own.role = 'agent' AND (own.side IS NULL OR s.side IS NULL OR s.side = own.side))) $$;

CREATE OR REPLACE FUNCTION deals_in_report(first date, last date, standings text[])
    RETURNS TABLE (file_id bigint, key char(26), name text, office text, status text, kind text, represents text, labels jsonb, side text, day date,
        price bigint, gross bigint, company bigint, expected_of text, authorized boolean, listing_rate text, buyer_rate text, listed text,
        accepted text, end_reason text, source text, agents jsonb)
    LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public SET work_mem = '64MB' AS $$
    WITH sides AS MATERIALIZED (
        SELECT * FROM sides_in_report(first, last, standings)
    ), known AS MATERIALIZED (
        SELECT x.deal_file_id,
            max(x.value) FILTER (WHERE x.name = 'price') AS price, max(x.value) FILTER (WHERE x.name = 'rent') AS rent,
            max(x.value) FILTER (WHERE x.name = 'closing') AS closing, max(x.value) FILTER (WHERE x.name = 'lease_start') AS lease_start,
            max(x.value) FILTER (WHERE x.name = 'acceptance') AS acceptance, max(x.value) FILTER (WHERE x.name = 'listed_on') AS listed_on,
            max(x.value) FILTER (WHERE x.name = 'client_source') AS client_source,
            max(x.value) FILTER (WHERE x.name = 'listing_commission') AS listing_commission,
            max(x.value) FILTER (WHERE x.name = 'buyer_commission') AS buyer_commission
        FROM facts x
        WHERE x.deal_file_id IN (SELECT id FROM sides)
          AND x.name IN ('price', 'rent', 'closing', 'lease_start', 'acceptance', 'listed_on', 'listing_commission', 'buyer_commission', 'client_source')
        GROUP BY x.deal_file_id
    ), agents AS MATERIALIZED (
        SELECT f.id, f.of_side, jsonb_object_agg(u.key, u.name) AS agents
        FROM sides f JOIN file_members m ON m.deal_file_id = f.id AND m.role = 'agent' AND (f.of_side IS NULL OR m.side IS NULL OR m.side = f.of_side)
        JOIN users u ON u.id = m.user_id GROUP BY f.id, f.of_side
    )
    SELECT f.id, f.key, f.name, f.office, f.status, f.kind, f.represents, f.labels, f.of_side, dated.day,
        (100 * coalesce(d.price, nullif(k.price, '')::numeric, nullif(k.rent, '')::numeric))::bigint,
        (100 * coalesce(d.gross, (c.expected->>'gross')::numeric))::bigint,
        (100 * coalesce(d.company, (c.expected->>'company')::numeric))::bigint,
        CASE WHEN c.id IS NULL THEN NULL ELSE coalesce(c.expected->>'of', '') END, d.id IS NOT NULL,
        k.listing_commission, k.buyer_commission, k.listed_on, k.acceptance, f.end_reason, k.client_source,
        coalesce(a.agents, '{}')
    FROM sides f
    LEFT JOIN agents a ON a.id = f.id AND a.of_side IS NOT DISTINCT FROM f.of_side
    LEFT JOIN known k ON k.deal_file_id = f.id
    LEFT JOIN commissions c ON c.deal_file_id = f.id AND c.side IS NOT DISTINCT FROM f.of_side
    LEFT JOIN disbursements d ON d.commission_id = c.id AND d.withdrawn_at IS NULL
    CROSS JOIN LATERAL (SELECT CASE
        WHEN f.status = 'under_contract' THEN substring(coalesce(nullif(k.closing, ''), k.lease_start) from '^\d{4}-\d\d-\d\d$')::date
        WHEN f.status = 'closed' THEN coalesce(f.closed_on, d.closing)
        ELSE f.ended_on END AS day) dated
    -- What has no closing day yet is pending now, in no other days.
    WHERE dated.day BETWEEN first AND last
        OR (dated.day IS NULL AND f.status = 'under_contract' AND current_date BETWEEN first AND last)
    ORDER BY dated.day, f.id $$;

-- What closed in days that are but compared, summed: the same sides, prices and days as above, and nothing of them that no sum asks for.
CREATE OR REPLACE FUNCTION closed_in_report(first date, last date, of_office text, of_agent text, of_label text)
    RETURNS TABLE (sides bigint, volume numeric, gross numeric, company numeric, unknown bigint)
    LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public SET work_mem = '64MB' SET enable_nestloop = off AS $$
    WITH sides AS MATERIALIZED (
        SELECT f.id, f.of_side, f.closed_on FROM sides_in_report(first, last, '{closed}') f
        WHERE (of_office = '' OR f.office = of_office) AND (of_label = '' OR jsonb_exists(f.labels, of_label))
          AND (of_agent = '' OR EXISTS (SELECT FROM file_members m JOIN users u ON u.id = m.user_id WHERE u.key = of_agent
              AND m.deal_file_id = f.id AND m.role = 'agent' AND (f.of_side IS NULL OR m.side IS NULL OR m.side = f.of_side)))
    ), known AS MATERIALIZED (
        SELECT x.deal_file_id, (max(nullif(x.value, '')) FILTER (WHERE x.name = 'price'))::numeric AS price,
            (max(nullif(x.value, '')) FILTER (WHERE x.name = 'rent'))::numeric AS rent
        FROM facts x WHERE x.deal_file_id IN (SELECT id FROM sides) AND x.name IN ('price', 'rent') GROUP BY x.deal_file_id
    ), figures AS (
        SELECT (100 * coalesce(d.price, k.price, k.rent))::bigint AS price,
            (100 * coalesce(d.gross, (c.expected->>'gross')::numeric))::bigint AS gross,
            (100 * coalesce(d.company, (c.expected->>'company')::numeric))::bigint AS company
        FROM sides f
        LEFT JOIN known k ON k.deal_file_id = f.id
        LEFT JOIN commissions c ON c.deal_file_id = f.id AND c.side IS NOT DISTINCT FROM f.of_side
        LEFT JOIN disbursements d ON d.commission_id = c.id AND d.withdrawn_at IS NULL
        WHERE coalesce(f.closed_on, d.closing) BETWEEN first AND last
    )
    SELECT count(*), coalesce(sum(price), 0), coalesce(sum(gross), 0), coalesce(sum(company), 0), count(*) FILTER (WHERE gross IS NULL)
    FROM figures $$;

-- What agents' authorized sheets count in a time, of the same people: one's own, and those of the offices one answers for.
CREATE OR REPLACE FUNCTION sheets_in_report(first date, last date)
    RETURNS TABLE (agent char(26), agent_name text, file_key char(26), file_name text, office text, side text, day date, cn numeric, company numeric,
        after_cap numeric, paid numeric)
    LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS $$
    SELECT u.key, u.name, f.key, f.name, o.name, d.side, d.closing, c.cn, c.company, c.after_cap, c.paid
    FROM plan_counts c JOIN disbursements d ON d.id = c.disbursement_id JOIN deal_files f ON f.id = c.deal_file_id
    JOIN offices o ON o.id = f.office_id JOIN users u ON u.id = c.user_id
    WHERE c.brokerage_id = session_of('brokerage')::bigint AND d.withdrawn_at IS NULL AND f.status IN ('under_contract', 'closed')
      AND NOT f.practice AND d.closing BETWEEN first AND last
      AND (c.user_id = session_of('person')::bigint OR person_holds('{broker,bookkeeper,administrator}', f.office_id))
    ORDER BY u.name, d.closing, d.id $$;

-- Words are looked for before sight is asked, as only so their index serves; what comes out are bare numbers of files.
CREATE OR REPLACE FUNCTION files_with_words(patterns text[]) RETURNS SETOF bigint LANGUAGE sql STABLE SECURITY DEFINER ROWS 100 SET search_path = public AS $$
    SELECT deal_file_id FROM search_rows WHERE brokerage_id = session_of('brokerage')::bigint AND words LIKE patterns[1] AND words LIKE ALL (patterns) $$;

-- The same for what stands on papers; whoever asks joins the bare numbers with the papers in their sight.
CREATE OR REPLACE FUNCTION papers_with_words(pattern text) RETURNS SETOF bigint LANGUAGE sql STABLE SECURITY DEFINER ROWS 100 SET search_path = public AS $$
    SELECT paper_id FROM version_texts WHERE brokerage_id = session_of('brokerage')::bigint AND words LIKE pattern $$;

-- What is mistyped is compared with the words there are, each once, and files are looked for by the words that were meant.
CREATE OR REPLACE FUNCTION files_with_words_like(patterns text[], mistyped text[]) RETURNS SETOF bigint LANGUAGE sql STABLE SECURITY DEFINER ROWS 100
    SET search_path = public SET pg_trgm.similarity_threshold = 0.42 AS $$
    WITH meant AS MATERIALIZED (
        SELECT asked.n, array_agg(either.pattern) AS any_of FROM unnest(patterns, mistyped) WITH ORDINALITY AS asked (pattern, word, n)
        CROSS JOIN LATERAL (
            SELECT asked.pattern UNION SELECT '%' || s.word || '%' FROM search_words s WHERE asked.word <> '' AND s.brokerage_id = session_of('brokerage')::bigint AND s.word % asked.word
        ) AS either GROUP BY asked.n)
    SELECT r.deal_file_id FROM search_rows r WHERE r.brokerage_id = session_of('brokerage')::bigint AND r.words LIKE ANY ((SELECT any_of FROM meant WHERE n = 1)::text[])
        AND NOT EXISTS (SELECT 1 FROM meant m WHERE m.n > 1 AND NOT r.words LIKE ANY (m.any_of)) $$;

-- 5. The policies, all of them: whatever was there before goes.

DO $$
DECLARE one record; name text;
BEGIN
    FOR one IN SELECT tablename, policyname FROM pg_policies WHERE schemaname = 'public' LOOP
        EXECUTE format('DROP POLICY %I ON %I', one.policyname, one.tablename);
    END LOOP;
    -- Every table but the framework's own and what belongs to no brokerage.
    FOR one IN SELECT tablename FROM pg_tables WHERE schemaname = 'public'
        AND tablename NOT IN ('cache', 'cache_locks', 'failed_jobs', 'installation_marks', 'jobs', 'migrations', 'service_breakers', 'sessions') LOOP
        EXECUTE format('ALTER TABLE %I ENABLE ROW LEVEL SECURITY', one.tablename);
    END LOOP;

    FOREACH name IN ARRAY '{blobs,identity_providers,office_permissions,setup_steps,sign_ins,roster_kits,brokerage_history_heads,column_matches,file_members,history_heads,office_rules,import_rows,imports,moved_lines,moved_papers,inbound_items,kit_versions,letters,letter_rules,letters_refused,form_letter_versions,office_roles,offices,own_form_changes,own_forms,pending_work,users}'::text[] LOOP
        EXECUTE format('CREATE POLICY own_brokerage ON %I USING (brokerage_id = (SELECT session_of(''brokerage'')::bigint))', name);
    END LOOP;
    FOREACH name IN ARRAY '{assembled_sets,client_pages,letter_rule_log,message_looks,messages,retention_holds,purge_notices,commission_versions,commissions,disbursements,payments,draft_reads,facts,file_kits,fill_requests,history,offers,paper_requests,papers,parties,party_contacts,requirements,rounds,search_rows,tasks,uploads}'::text[] LOOP
        EXECUTE format('CREATE POLICY file_in_sight ON %I USING (brokerage_id = (SELECT session_of(''brokerage'')::bigint) AND file_in_sight(deal_file_id, (SELECT who_asks())))', name);
    END LOOP;
    FOREACH name IN ARRAY '{deliveries,draft_remarks,paper_entries,paper_pieces,paper_values,paper_versions,requirement_papers,version_texts}'::text[] LOOP
        EXECUTE format('CREATE POLICY papers_in_sight ON %I USING (brokerage_id = (SELECT session_of(''brokerage'')::bigint) AND paper_in_sight(paper_id, (SELECT who_asks())))', name);
    END LOOP;
    FOREACH name IN ARRAY '{desk_steps,marks,round_events,round_papers,sealed_sets,signers}'::text[] LOOP
        EXECUTE format('CREATE POLICY rounds_in_sight ON %I USING (brokerage_id = (SELECT session_of(''brokerage'')::bigint) AND round_in_sight(round_id, (SELECT who_asks())))', name);
    END LOOP;
    FOREACH name IN ARRAY '{assembled_sets,client_pages,messages,commission_versions,commissions,disbursements,payments,draft_reads,facts,fill_requests,paper_requests,papers,party_contacts,requirements,rounds,tasks}'::text[] LOOP
        EXECUTE format('CREATE POLICY own_side ON %I AS RESTRICTIVE USING (side IS NULL OR side_in_sight(deal_file_id, side))', name);
    END LOOP;
    FOREACH name IN ARRAY '{assembled_sets,papers,requirements}'::text[] LOOP
        EXECUTE format('CREATE POLICY for_staff ON %I AS RESTRICTIVE USING (NOT staff_only OR staff_in_sight(deal_file_id))', name);
    END LOOP;
    FOREACH name IN ARRAY '{contacts,form_letters,kept_sentences,kits,stencils}'::text[] LOOP
        EXECUTE format('CREATE POLICY own_or_common ON %I USING (brokerage_id = (SELECT session_of(''brokerage'')::bigint)
            AND (user_id IS NULL OR user_id = (SELECT session_of(''person'')::bigint) OR (SELECT session_of(''sight'')) = ''all''))', name);
    END LOOP;
END $$;

CREATE POLICY own_brokerage ON brokerages USING (id = (SELECT session_of('brokerage')::bigint));
-- A draft is its writer's; what was sent stays, and is the file's.
CREATE POLICY own_drafts ON messages AS RESTRICTIVE USING (state <> 'draft' OR user_id = (SELECT session_of('person')::bigint)
    OR (SELECT session_of('sight')) = 'all');
CREATE POLICY own_words ON messages AS RESTRICTIVE FOR INSERT WITH CHECK (user_id IS NOT DISTINCT FROM session_of('person')::bigint
    OR session_of('sight') = 'all');
CREATE POLICY drops_drafts ON messages AS RESTRICTIVE FOR DELETE USING (state = 'draft' AND user_id = session_of('person')::bigint);
CREATE POLICY own_office ON form_letters AS RESTRICTIVE USING (office_id IS NULL OR person_holds('{agent,coordinator,broker,bookkeeper,administrator}', office_id));
CREATE POLICY who_writes_form_letters ON form_letters AS RESTRICTIVE FOR INSERT WITH CHECK (user_id = session_of('person')::bigint
    OR person_may('keep_letters', NULL));
CREATE POLICY who_changes_form_letters ON form_letters AS RESTRICTIVE FOR UPDATE USING (user_id = session_of('person')::bigint
    OR person_may('keep_letters', NULL));
CREATE POLICY who_sets_letter_rules ON letter_rules AS RESTRICTIVE FOR INSERT WITH CHECK (person_may('letter_rules', office_id));
CREATE POLICY who_changes_letter_rules ON letter_rules AS RESTRICTIVE FOR UPDATE USING (person_may('letter_rules', office_id));
-- Holds and what was purged: for those who run the office.
CREATE POLICY who_holds ON retention_holds AS RESTRICTIVE FOR INSERT WITH CHECK (person_holds('{broker,administrator}', office_of(deal_file_id)));
CREATE POLICY who_lifts ON retention_holds AS RESTRICTIVE FOR UPDATE USING (person_holds('{broker,administrator}', office_of(deal_file_id)));
CREATE POLICY the_application_announces ON purge_notices AS RESTRICTIVE FOR INSERT WITH CHECK (session_of('sight') = 'all');
CREATE POLICY who_runs_the_office ON purge_certificates USING (brokerage_id = (SELECT session_of('brokerage')::bigint)
    AND person_holds('{broker,administrator}', office_id));
-- Tokens and webhooks are their owner's; administrators see that there are some, and end them. What a webhook was told goes by what its
-- owner sees.
CREATE POLICY own_or_run ON api_tokens USING (brokerage_id = (SELECT session_of('brokerage')::bigint)
    AND (tokenable_id = (SELECT session_of('person')::bigint) OR (SELECT session_of('sight')) = 'all' OR person_holds('{administrator}', NULL)));
CREATE POLICY own_tokens ON api_tokens AS RESTRICTIVE FOR INSERT WITH CHECK (tokenable_id = session_of('person')::bigint AND person_may('connect', NULL));
CREATE POLICY own_or_run ON hooks USING (brokerage_id = (SELECT session_of('brokerage')::bigint)
    AND (user_id = (SELECT session_of('person')::bigint) OR (SELECT session_of('sight')) = 'all' OR person_holds('{administrator}', NULL)));
CREATE POLICY own_hooks ON hooks AS RESTRICTIVE FOR INSERT WITH CHECK (user_id = session_of('person')::bigint);
CREATE POLICY hooks_in_sight ON hook_calls USING (brokerage_id = (SELECT session_of('brokerage')::bigint)
    AND ((SELECT session_of('sight')) = 'all' OR hook_id IN (SELECT h.id FROM hooks h WHERE h.user_id = (SELECT session_of('person')::bigint))));
CREATE POLICY own ON api_answers USING (brokerage_id = (SELECT session_of('brokerage')::bigint)
    AND (user_id = (SELECT session_of('person')::bigint) OR (SELECT session_of('sight')) = 'all'));
-- Notices: whoever does something tells others of it; each reads their own.
CREATE POLICY own ON notices USING (brokerage_id = (SELECT session_of('brokerage')::bigint)
    AND (user_id = (SELECT session_of('person')::bigint) OR (SELECT session_of('sight')) = 'all'))
    WITH CHECK (brokerage_id = (SELECT session_of('brokerage')::bigint));
CREATE POLICY clears_up ON notices AS RESTRICTIVE FOR DELETE USING (session_of('sight') = 'all');
-- The roster: oneself, and those who run the office; steps are done by whoever holds their role there.
CREATE OR REPLACE FUNCTION runs_for(person bigint) RETURNS boolean LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public AS $$
    SELECT coalesce(session_of('sight') = 'all', false) OR EXISTS (SELECT 1 FROM office_roles r WHERE r.user_id = person
        AND r.brokerage_id = session_of('brokerage')::bigint AND person_holds('{broker,administrator}', r.office_id)) $$;
CREATE POLICY who_works_here ON covers USING (brokerage_id = (SELECT session_of('brokerage')::bigint));
CREATE POLICY own_or_run ON covers AS RESTRICTIVE FOR INSERT WITH CHECK (user_id = session_of('person')::bigint OR runs_for(user_id));
CREATE POLICY own_or_run_changes ON covers AS RESTRICTIVE FOR UPDATE USING (user_id = session_of('person')::bigint OR helper_id = session_of('person')::bigint
    OR runs_for(user_id));
CREATE POLICY own_or_run ON roster_cases USING (brokerage_id = (SELECT session_of('brokerage')::bigint)
    AND ((SELECT session_of('sight')) = 'all' OR user_id = (SELECT session_of('person')::bigint)
        OR person_holds('{broker,administrator,bookkeeper,coordinator}', office_id)));
CREATE POLICY who_runs ON roster_kits AS RESTRICTIVE FOR INSERT WITH CHECK (person_holds('{broker,administrator}', office_id));
CREATE POLICY who_runs_changes ON roster_kits AS RESTRICTIVE FOR UPDATE USING (person_holds('{broker,administrator}', office_id));
CREATE POLICY who_runs_drops ON roster_kits AS RESTRICTIVE FOR DELETE USING (person_holds('{broker,administrator}', office_id));
CREATE POLICY who_runs ON roster_cases AS RESTRICTIVE FOR INSERT WITH CHECK (person_holds('{broker,administrator}', office_id));
CREATE POLICY who_runs_changes ON roster_cases AS RESTRICTIVE FOR UPDATE USING (person_holds('{broker,administrator}', office_id));
CREATE POLICY case_in_sight ON roster_steps USING (brokerage_id = (SELECT session_of('brokerage')::bigint)
    AND EXISTS (SELECT 1 FROM roster_cases c WHERE c.id = roster_steps.roster_case_id OFFSET 0));
CREATE POLICY case_in_sight ON roster_fates USING (brokerage_id = (SELECT session_of('brokerage')::bigint)
    AND EXISTS (SELECT 1 FROM roster_cases c WHERE c.id = roster_fates.roster_case_id OFFSET 0));
CREATE POLICY who_decides ON roster_fates AS RESTRICTIVE FOR INSERT WITH CHECK (EXISTS (SELECT 1 FROM roster_cases c
    WHERE c.id = roster_fates.roster_case_id AND person_holds('{broker,administrator}', c.office_id)));
CREATE POLICY own_or_run ON credentials USING (brokerage_id = (SELECT session_of('brokerage')::bigint)
    AND (user_id = (SELECT session_of('person')::bigint) OR runs_for(user_id)));
CREATE POLICY who_keeps ON credentials AS RESTRICTIVE FOR INSERT WITH CHECK (runs_for(user_id));
CREATE POLICY who_keeps_changes ON credentials AS RESTRICTIVE FOR UPDATE USING (runs_for(user_id));
-- The shelf: everybody's, or an office's; kept by those who run an office and coordinators.
CREATE POLICY own_office ON shelf_items USING (brokerage_id = (SELECT session_of('brokerage')::bigint)
    AND (office_id IS NULL OR person_holds('{agent,coordinator,broker,bookkeeper,administrator}', office_id)));
-- A person's own sheet is theirs alone; the application makes it anew.
CREATE POLICY own_sheet ON shelf_items AS RESTRICTIVE USING (user_id IS NULL OR user_id = (SELECT session_of('person')::bigint) OR session_of('sight') = 'all');
CREATE POLICY who_keeps ON shelf_items AS RESTRICTIVE FOR INSERT WITH CHECK (user_id = (SELECT session_of('person')::bigint) OR (user_id IS NULL AND person_may('keep_shelf', office_id)));
CREATE POLICY who_keeps_changes ON shelf_items AS RESTRICTIVE FOR UPDATE USING (user_id = (SELECT session_of('person')::bigint) OR (user_id IS NULL AND person_may('keep_shelf', office_id)) OR session_of('sight') = 'all');
CREATE POLICY item_in_sight ON shelf_versions USING (brokerage_id = (SELECT session_of('brokerage')::bigint)
    AND EXISTS (SELECT 1 FROM shelf_items i WHERE i.id = shelf_versions.shelf_item_id OFFSET 0));
CREATE POLICY who_keeps ON shelf_versions AS RESTRICTIVE FOR INSERT WITH CHECK (person_may('keep_shelf', NULL)
    OR EXISTS (SELECT 1 FROM shelf_items i WHERE i.id = shelf_item_id AND i.user_id IS NOT NULL));
CREATE POLICY own ON shelf_looks USING (brokerage_id = (SELECT session_of('brokerage')::bigint)
    AND (user_id = (SELECT session_of('person')::bigint) OR (SELECT session_of('sight')) = 'all'));
CREATE POLICY own ON signature_pictures USING (brokerage_id = (SELECT session_of('brokerage')::bigint)
    AND (user_id = (SELECT session_of('person')::bigint) OR (SELECT session_of('sight')) = 'all'));
CREATE POLICY own_or_common ON saved_views USING (brokerage_id = (SELECT session_of('brokerage')::bigint)
    AND (shared OR user_id = (SELECT session_of('person')::bigint) OR (SELECT session_of('sight')) = 'all'));

CREATE POLICY files_in_sight ON deal_files USING (
    brokerage_id = (SELECT session_of('brokerage')::bigint) AND (
        (SELECT session_of('sight')) = 'all'
        OR id = (SELECT session_of('file')::bigint)
        OR (office_id = ANY ((SELECT session_of('offices'))::bigint[]) AND NOT guest AND NOT practice)
        OR id IN (SELECT m.deal_file_id FROM file_members m WHERE m.user_id = (SELECT session_of('person')::bigint))
    )
) WITH CHECK (brokerage_id = (SELECT session_of('brokerage')::bigint));

-- A practice that was let go is gone, also for whoever had it.
CREATE POLICY practice_over ON deal_files AS RESTRICTIVE USING (practice_over_at IS NULL OR (SELECT session_of('sight')) = 'all') WITH CHECK (true);

CREATE POLICY own_or_asked ON join_requests USING (brokerage_id = (SELECT session_of('brokerage')::bigint)
    AND (user_id = (SELECT session_of('person')::bigint) OR (SELECT session_of('sight')) = 'all' OR file_in_sight(deal_file_id, (SELECT who_asks()))));

-- Plans: one's own, of whoever one shares a file with (a sheet of two agents needs both), and all for those who keep them.
CREATE POLICY own_or_shared ON agent_plans USING (brokerage_id = (SELECT session_of('brokerage')::bigint)
    AND (user_id = (SELECT session_of('person')::bigint) OR keeps_plans_of(user_id)
        OR EXISTS (SELECT 1 FROM file_members m JOIN file_members o ON o.deal_file_id = m.deal_file_id
            WHERE m.user_id = agent_plans.user_id AND o.user_id = (SELECT session_of('person')::bigint))));
CREATE POLICY who_keeps_plans ON agent_plans AS RESTRICTIVE FOR INSERT WITH CHECK (keeps_plans_of(user_id));
CREATE POLICY who_changes_plans ON agent_plans AS RESTRICTIVE FOR UPDATE USING (keeps_plans_of(user_id));
-- Debts: one's own, and all for those who keep them. A sheet asks debts_left.
CREATE POLICY own_or_kept ON agent_debts USING (brokerage_id = (SELECT session_of('brokerage')::bigint)
    AND (user_id = (SELECT session_of('person')::bigint) OR keeps_plans_of(user_id)));
CREATE POLICY who_keeps_debts ON agent_debts AS RESTRICTIVE FOR INSERT WITH CHECK (keeps_plans_of(user_id));
CREATE POLICY who_changes_debts ON agent_debts AS RESTRICTIVE FOR UPDATE USING (keeps_plans_of(user_id));
-- Only a broker authorizes and withdraws, or whoever practises in their own file.
CREATE POLICY who_authorizes ON disbursements AS RESTRICTIVE FOR INSERT WITH CHECK (person_holds('{broker}', office_of(deal_file_id))
    OR EXISTS (SELECT 1 FROM deal_files f WHERE f.id = disbursements.deal_file_id AND f.practice));
CREATE POLICY who_withdraws ON disbursements AS RESTRICTIVE FOR UPDATE USING (true) WITH CHECK (withdrawn_at IS NULL OR person_holds('{broker}', office_of(deal_file_id))
    OR EXISTS (SELECT 1 FROM deal_files f WHERE f.id = disbursements.deal_file_id AND f.practice));
CREATE POLICY who_pays ON payments AS RESTRICTIVE FOR INSERT WITH CHECK (person_holds('{broker,bookkeeper}', office_of(deal_file_id)));
CREATE POLICY who_strikes ON payments AS RESTRICTIVE FOR UPDATE USING (person_holds('{broker,bookkeeper}', office_of(deal_file_id)));
CREATE POLICY own ON kept_reports USING (brokerage_id = (SELECT session_of('brokerage')::bigint)
    AND (user_id = (SELECT session_of('person')::bigint) OR (SELECT session_of('sight')) = 'all'));
CREATE POLICY own_or_kept ON sheet_counts USING (brokerage_id = (SELECT session_of('brokerage')::bigint)
    AND (user_id = (SELECT session_of('person')::bigint) OR keeps_plans_of(user_id)
        OR person_holds('{administrator,broker,bookkeeper}', office_of(deal_file_id))
        OR EXISTS (SELECT 1 FROM deal_files f WHERE f.id = sheet_counts.deal_file_id AND f.practice)));
CREATE POLICY own_or_kept ON plan_counts USING (brokerage_id = (SELECT session_of('brokerage')::bigint)
    AND (user_id = (SELECT session_of('person')::bigint) OR keeps_plans_of(user_id)
        OR person_holds('{administrator,broker,bookkeeper}', office_of(deal_file_id))
        OR EXISTS (SELECT 1 FROM deal_files f WHERE f.id = plan_counts.deal_file_id AND f.practice)));

-- Offers are the listing side's own; in a lease the landlord's.
CREATE POLICY own_side ON offers AS RESTRICTIVE USING (side_in_sight(deal_file_id,
    CASE WHEN (SELECT f.kind FROM deal_files f WHERE f.id = offers.deal_file_id) = 'lease' THEN 'landlord' ELSE 'seller' END));

-- OFFSET 0 keeps the planner from reading every row above first, to answer for a handful below.
CREATE POLICY request_in_sight ON fill_request_papers USING (brokerage_id = (SELECT session_of('brokerage')::bigint)
    AND EXISTS (SELECT 1 FROM fill_requests r WHERE r.id = fill_request_papers.fill_request_id OFFSET 0));
CREATE POLICY request_in_sight ON asked_papers USING (brokerage_id = (SELECT session_of('brokerage')::bigint)
    AND EXISTS (SELECT 1 FROM paper_requests r WHERE r.id = asked_papers.paper_request_id OFFSET 0));
CREATE POLICY set_in_sight ON reading_copies USING (brokerage_id = (SELECT session_of('brokerage')::bigint)
    AND EXISTS (SELECT 1 FROM assembled_sets s WHERE s.id = reading_copies.assembled_set_id OFFSET 0));
CREATE POLICY copy_in_sight ON reading_copy_looks USING (brokerage_id = (SELECT session_of('brokerage')::bigint)
    AND EXISTS (SELECT 1 FROM reading_copies r WHERE r.id = reading_copy_looks.reading_copy_id OFFSET 0));
CREATE POLICY either_file_in_sight ON working_copies USING (brokerage_id = (SELECT session_of('brokerage')::bigint)
    AND (file_in_sight(deal_file_id, (SELECT who_asks())) OR file_in_sight(guest_file_id, (SELECT who_asks()))));
CREATE POLICY working_copy_in_sight ON working_copy_papers USING (brokerage_id = (SELECT session_of('brokerage')::bigint)
    AND EXISTS (SELECT 1 FROM working_copies w WHERE w.id = working_copy_papers.working_copy_id OFFSET 0));
-- The inbox: those who sort mail see all of it, everybody else what was sent to their own address. What was filed is seen as the
-- papers of its side are, and by nobody else any more.
CREATE POLICY who_sorts ON inbound_items AS RESTRICTIVE USING ((SELECT session_of('sight')) = 'all'
    OR (filed_into IS NULL AND (for_user = (SELECT session_of('person')::bigint)
        OR (SELECT person_sorts_mail())))
    OR (filed_into IS NOT NULL AND file_in_sight(filed_into, (SELECT who_asks()))
        AND (filed_side IS NULL OR side_in_sight(filed_into, filed_side)))) WITH CHECK (true);

-- A stack in a file is seen with the paper it came from; one from the mail by whoever sorts mail, as the inbox is.
CREATE POLICY stack_in_sight ON stacks USING (brokerage_id = (SELECT session_of('brokerage')::bigint)
    AND ((deal_file_id IS NULL AND items <> '[]' AND (SELECT count(*) FROM inbound_items i
            WHERE i.id IN (SELECT one::bigint FROM jsonb_array_elements_text(stacks.items) AS one)) = jsonb_array_length(stacks.items))
        OR (file_in_sight(deal_file_id, (SELECT who_asks())) AND (side IS NULL OR side_in_sight(deal_file_id, side))
        AND (NOT staff_only OR staff_in_sight(deal_file_id)))));
CREATE POLICY stack_in_sight ON stack_layouts USING (brokerage_id = (SELECT session_of('brokerage')::bigint)
    AND EXISTS (SELECT 1 FROM stacks s WHERE s.id = stack_layouts.stack_id OFFSET 0));
CREATE POLICY requirements_in_sight ON findings_set_aside USING (brokerage_id = (SELECT session_of('brokerage')::bigint)
    AND requirement_in_sight(requirement_id, (SELECT who_asks())));
CREATE POLICY requirements_in_sight ON review_looks USING (brokerage_id = (SELECT session_of('brokerage')::bigint)
    AND requirement_in_sight(requirement_id, (SELECT who_asks())));
CREATE POLICY requirements_in_sight ON remarks USING (brokerage_id = (SELECT session_of('brokerage')::bigint)
    AND requirement_in_sight(requirement_id, (SELECT who_asks())));

-- The history: an entry may be written whose side its writer does not see, and is read by its own side alone. Whoever
-- joins for the other side later does not read what was done before that; whether someone joined later is asked once for
-- all their files, and row by row only where they did.
CREATE POLICY own_side ON history AS RESTRICTIVE USING (side IS NULL OR side_in_sight(deal_file_id, side)) WITH CHECK (true);
CREATE POLICY for_staff ON history AS RESTRICTIVE FOR SELECT USING (NOT staff_only OR staff_in_sight(deal_file_id));
CREATE POLICY since_joined ON history AS RESTRICTIVE FOR SELECT USING (
    (SELECT session_of('sight')) = 'all' OR (SELECT session_of('file')::bigint) = deal_file_id
    OR deal_file_id NOT IN (SELECT m.deal_file_id FROM file_members m WHERE m.user_id = (SELECT session_of('person')::bigint) AND m.joined_at IS NOT NULL)
    OR NOT EXISTS (SELECT 1 FROM file_members m WHERE m.deal_file_id = history.deal_file_id AND m.user_id = (SELECT session_of('person')::bigint) AND m.joined_at > history.at));

-- The history of the brokerage: for those who run an office, of their own offices and of what concerns all.
CREATE POLICY who_runs_offices ON brokerage_history USING (brokerage_id = (SELECT session_of('brokerage')::bigint) AND person_holds('{administrator,broker}', office_id));

-- Devices: one's own; those who run an office end the sessions of people there.
CREATE POLICY own_devices ON remembered_devices USING (user_id = (SELECT session_of('person')::bigint) OR (SELECT session_of('sight')) = 'all'
    OR (person_holds('{administrator,broker}', NULL) AND brokerage_id = (SELECT session_of('brokerage')::bigint)));

-- Who changes what runs the brokerage. Brokers give roles in their own offices, but only an administrator makes brokers and
-- administrators; whoever opens an office administers it.
CREATE POLICY administrators_permit ON office_permissions AS RESTRICTIVE FOR INSERT WITH CHECK (person_holds('{administrator}', office_id));
CREATE POLICY administrators_permit_changes ON office_permissions AS RESTRICTIVE FOR UPDATE USING (person_holds('{administrator}', office_id));
CREATE POLICY administrators_set_up ON setup_steps AS RESTRICTIVE FOR INSERT WITH CHECK (person_holds('{administrator}', NULL));
CREATE POLICY administrators_set_up_changes ON setup_steps AS RESTRICTIVE FOR UPDATE USING (person_holds('{administrator}', NULL));
CREATE POLICY administrators_set_up_drops ON setup_steps AS RESTRICTIVE FOR DELETE USING (person_holds('{administrator}', NULL));
CREATE POLICY administrators_connect ON identity_providers AS RESTRICTIVE USING (person_holds('{administrator}', NULL) OR session_of('person') IS NULL);
CREATE POLICY own_sign_ins ON sign_ins AS RESTRICTIVE FOR SELECT USING (person_holds('{administrator}', NULL) OR user_id = (SELECT session_of('person')::bigint));
CREATE POLICY administrators_permit_drops ON office_permissions AS RESTRICTIVE FOR DELETE USING (person_holds('{administrator}', office_id));
CREATE POLICY administrators_open ON offices AS RESTRICTIVE FOR INSERT WITH CHECK (person_holds('{administrator}', NULL));
CREATE POLICY who_runs_changes ON offices AS RESTRICTIVE FOR UPDATE USING (person_holds('{administrator,broker}', id));
CREATE POLICY who_runs_the_office ON office_roles AS RESTRICTIVE FOR INSERT WITH CHECK (person_holds('{administrator}', office_id)
    OR (role NOT IN ('broker', 'administrator') AND person_holds('{broker}', office_id))
    OR (role = 'administrator' AND user_id = session_of('person')::bigint AND person_holds('{administrator}', NULL)));
CREATE POLICY who_runs_the_office_changes ON office_roles AS RESTRICTIVE FOR UPDATE USING (person_holds('{administrator}', office_id));
CREATE POLICY who_runs_the_office_takes ON office_roles AS RESTRICTIVE FOR DELETE USING (person_holds('{administrator}', office_id)
    OR (role NOT IN ('broker', 'administrator') AND person_holds('{broker}', office_id)));
-- People change themselves; others are changed by those who run an office.
CREATE POLICY who_invites ON users AS RESTRICTIVE FOR INSERT WITH CHECK (person_holds('{administrator,broker}', NULL));
CREATE POLICY who_changes_people ON users AS RESTRICTIVE FOR UPDATE USING (id = session_of('person')::bigint OR person_holds('{administrator,broker}', NULL) OR session_of('person') IS NULL);
CREATE POLICY who_makes_rules ON office_rules AS RESTRICTIVE FOR INSERT WITH CHECK (person_may('keep_rules', NULL));
CREATE POLICY who_changes_rules ON office_rules AS RESTRICTIVE FOR UPDATE USING (person_may('keep_rules', NULL));
CREATE POLICY who_drops_rules ON office_rules AS RESTRICTIVE FOR DELETE USING (person_may('keep_rules', NULL));
CREATE POLICY who_makes_forms ON own_forms AS RESTRICTIVE FOR INSERT WITH CHECK (person_may('make_forms', NULL));
CREATE POLICY who_changes_forms ON own_forms AS RESTRICTIVE FOR UPDATE USING (person_may('make_forms', NULL));
CREATE POLICY who_drops_forms ON own_forms AS RESTRICTIVE FOR DELETE USING (person_may('make_forms', NULL));

-- Guests, who work on papers that were given to them, are no colleagues: of what all colleagues share they see nothing, of
-- people themselves alone, and of letters those of their own small file.
DO $$
DECLARE name text;
BEGIN
    FOREACH name IN ARRAY '{identity_providers,agent_debts,agent_plans,shelf_items,shelf_looks,shelf_versions,covers,credentials,roster_cases,roster_fates,roster_steps,api_answers,api_tokens,hook_calls,hooks,retention_holds,purge_notices,purge_certificates,kept_reports,client_pages,form_letter_versions,form_letters,letter_rule_log,letter_rules,letters_refused,message_looks,messages,brokerage_history_heads,column_matches,contacts,import_rows,imports,moved_lines,moved_papers,office_permissions,roster_kits,inbound_items,join_requests,kept_sentences,kit_versions,kits,office_roles,office_rules,saved_views,setup_steps,sign_ins,stacks,stencils}'::text[] LOOP
        EXECUTE format('CREATE POLICY not_for_guests ON %I AS RESTRICTIVE USING ((SELECT session_of(''sight'')) IS DISTINCT FROM ''guest'')', name);
    END LOOP;
END $$;
CREATE POLICY not_for_guests ON users AS RESTRICTIVE USING ((SELECT session_of('sight')) IS DISTINCT FROM 'guest' OR id = (SELECT session_of('person')::bigint));
CREATE POLICY not_for_guests ON file_members AS RESTRICTIVE USING ((SELECT session_of('sight')) IS DISTINCT FROM 'guest'
    OR user_id = (SELECT session_of('person')::bigint));
CREATE POLICY not_for_guests ON letters AS RESTRICTIVE USING ((SELECT session_of('sight')) IS DISTINCT FROM 'guest'
    OR file_in_sight(deal_file_id, (SELECT who_asks())));

-- What a brokerage is called, who its email comes from, and which roles need two steps to sign in, is said by administrators.
CREATE OR REPLACE FUNCTION administrators_name() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
    IF (NEW.name, NEW.sender_name, NEW.sender_address, NEW.two_step_roles) IS DISTINCT FROM (OLD.name, OLD.sender_name, OLD.sender_address, OLD.two_step_roles)
        AND current_user = 'unanimus_app' AND NOT person_holds('{administrator}', NULL) THEN
        RAISE insufficient_privilege USING MESSAGE = 'only administrators name the brokerage';
    END IF;
    IF (NEW.most_people, NEW.most_bytes) IS DISTINCT FROM (OLD.most_people, OLD.most_bytes) AND current_user = 'unanimus_app' THEN
        RAISE insufficient_privilege USING MESSAGE = 'only the operator says how much a brokerage may have';
    END IF;
    IF NEW.address IS DISTINCT FROM OLD.address AND current_user = 'unanimus_app' AND session_of('person') IS NOT NULL THEN
        RAISE insufficient_privilege USING MESSAGE = 'only the operator says where a brokerage is reached';
    END IF;
    RETURN NEW;
END $$;
CREATE OR REPLACE TRIGGER administrators_name BEFORE UPDATE ON brokerages FOR EACH ROW EXECUTE FUNCTION administrators_name();

-- 6. What the application's role may do at all. It never deletes what others rest on, and never changes what happened.

GRANT USAGE ON SCHEMA public TO unanimus_app;
REVOKE ALL ON ALL TABLES IN SCHEMA public FROM unanimus_app;
GRANT USAGE ON ALL SEQUENCES IN SCHEMA public TO unanimus_app;
DO $$
DECLARE name text;
BEGIN
    FOREACH name IN ARRAY '{desk_steps,identity_providers,deliveries,notices,roster_fates,messages,purge_notices,api_answers,signature_pictures,kept_reports,kept_sentences,requirement_papers,cache,cache_locks,column_matches,commissions,contacts,facts,failed_jobs,file_kits,file_members,import_rows,moved_lines,moved_papers,office_permissions,setup_steps,roster_kits,installation_marks,jobs,marks,office_roles,office_rules,paper_values,parties,party_contacts,pending_work,remarks,remembered_devices,requirements,round_papers,rounds,saved_views,search_rows,sessions,signers,stack_layouts,tasks,version_texts}'::text[] LOOP
        EXECUTE format('GRANT SELECT, INSERT, UPDATE, DELETE ON %I TO unanimus_app', name);
    END LOOP;
    FOREACH name IN ARRAY '{draft_reads,client_pages,shelf_items,shelf_looks,covers,credentials,roster_cases,roster_steps,api_tokens,hooks,hook_calls,retention_holds,form_letters,letter_rules,draft_remarks,payments,agent_debts,agent_plans,disbursements,assembled_sets,brokerage_history_heads,brokerages,deal_files,fill_requests,history_heads,imports,inbound_items,join_requests,kits,letters,offers,offices,own_forms,asked_papers,paper_pieces,paper_requests,papers,reading_copies,service_breakers,stacks,stencils,uploads,users,working_copies,working_copy_papers}'::text[] LOOP
        EXECUTE format('GRANT SELECT, INSERT, UPDATE ON %I TO unanimus_app', name);
    END LOOP;
    FOREACH name IN ARRAY '{blobs,sign_ins,shelf_versions,form_letter_versions,letter_rule_log,letters_refused,message_looks,commission_versions,fill_request_papers,findings_set_aside,review_looks,kit_versions,own_form_changes,plan_counts,sheet_counts,paper_entries,paper_versions,reading_copy_looks,round_events,sealed_sets}'::text[] LOOP
        EXECUTE format('GRANT SELECT, INSERT ON %I TO unanimus_app', name);
    END LOOP;
END $$;
-- A certificate is written by the purge alone; only what became of the bytes is noted on it afterwards.
GRANT SELECT, UPDATE (bytes_left, bytes_removed, bytes_shared, finished_at) ON purge_certificates TO unanimus_app;
GRANT UPDATE (kept_at) ON blobs TO unanimus_app;
REVOKE ALL ON FUNCTION purge_file(bigint, text, text), let_bytes_go(text), bytes_in_use(text[]) FROM PUBLIC;
GRANT EXECUTE ON FUNCTION purge_file(bigint, text, text), let_bytes_go(text), bytes_in_use(text[]) TO unanimus_app;
-- A paper that goes over to another revision of its form is asked for under the names of that one.
GRANT UPDATE (blanks) ON fill_request_papers TO unanimus_app;
-- Entries are added through functions alone, which take who and when from the session.
GRANT SELECT ON history, brokerage_history TO unanimus_app;
REVOKE ALL ON FUNCTION add_guest(text, text, text), let_practice_go(bigint) FROM PUBLIC;
GRANT EXECUTE ON FUNCTION add_guest(text, text, text), let_practice_go(bigint) TO unanimus_app;
REVOKE ALL ON FUNCTION add_history(bigint, text, jsonb, text, boolean), add_brokerage_history(bigint, text, jsonb) FROM PUBLIC;
GRANT EXECUTE ON FUNCTION add_history(bigint, text, jsonb, text, boolean), add_brokerage_history(bigint, text, jsonb) TO unanimus_app;
