-- How long ended files are kept: archived, held, announced, purged. What is purged leaves a certificate and nothing else.
ALTER TABLE deal_files ADD COLUMN IF NOT EXISTS archived_at timestamptz;
ALTER TABLE offices ADD COLUMN IF NOT EXISTS retention jsonb NOT NULL DEFAULT '{}';
-- Bytes that were brought lately are left alone: the row that will name them may not be written yet.
ALTER TABLE blobs ADD COLUMN IF NOT EXISTS kept_at timestamptz NOT NULL DEFAULT now();

CREATE TABLE IF NOT EXISTS retention_holds (
    id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    key character(26) NOT NULL,
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    deal_file_id bigint NOT NULL REFERENCES deal_files,
    reason text NOT NULL,
    placed_by bigint REFERENCES users,
    lifted_by bigint REFERENCES users,
    lifted_at timestamptz,
    created_at timestamptz NOT NULL DEFAULT now(),
    updated_at timestamptz NOT NULL DEFAULT now(),
    CONSTRAINT retention_hold_key_once UNIQUE (key)
);
CREATE UNIQUE INDEX IF NOT EXISTS one_hold_at_a_time ON retention_holds (deal_file_id) WHERE lifted_at IS NULL;

CREATE TABLE IF NOT EXISTS purge_notices (
    deal_file_id bigint PRIMARY KEY REFERENCES deal_files,
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    announced_on date NOT NULL,
    purged_on date NOT NULL,
    by_rule text NOT NULL
);

CREATE TABLE IF NOT EXISTS purge_certificates (
    id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    key character(26) NOT NULL,
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    office_id bigint NOT NULL REFERENCES offices,
    file_key character(26) NOT NULL,
    name_hash character(64) NOT NULL,
    kind text NOT NULL,
    status text NOT NULL,
    opened_on date NOT NULL,
    ended_on date NOT NULL,
    announced_on date NOT NULL,
    by_rule text NOT NULL,
    purged_rows jsonb NOT NULL,
    history_entries integer NOT NULL,
    history_hash character(64) NOT NULL,
    -- Hashes of bytes that are still to be looked after; what they were stands nowhere afterwards.
    bytes_left jsonb NOT NULL,
    bytes_removed integer NOT NULL DEFAULT 0,
    bytes_shared integer NOT NULL DEFAULT 0,
    purged_at timestamptz NOT NULL DEFAULT clock_timestamp(),
    finished_at timestamptz,
    CONSTRAINT purge_certificate_key_once UNIQUE (key),
    CONSTRAINT purged_once UNIQUE (file_key)
);
CREATE INDEX IF NOT EXISTS files_to_keep ON deal_files (brokerage_id, office_id, (coalesce(closed_on, ended_on))) WHERE closed_on IS NOT NULL OR ended_on IS NOT NULL;

-- The tables that hold rows of one file, each with how its rows are known: directly, or by the row they hang on.
CREATE OR REPLACE FUNCTION tables_of_files() RETURNS TABLE (name text, rows_of text) LANGUAGE sql STABLE AS $$
    WITH refs AS (
        SELECT c.conrelid::regclass AS child, a.attname AS col, a.attnotnull AS needed, c.confrelid::regclass AS parent
        FROM pg_constraint c JOIN pg_attribute a ON a.attrelid = c.conrelid AND a.attnum = c.conkey[1]
        WHERE c.contype = 'f' AND array_length(c.conkey, 1) = 1 AND c.connamespace = 'public'::regnamespace
    ), direct AS (
        SELECT child FROM refs WHERE parent = 'deal_files'::regclass AND col = 'deal_file_id' AND child <> 'deal_files'::regclass
    )
    SELECT child::text, 'deal_file_id = $1' FROM direct
    UNION ALL
    SELECT DISTINCT ON (r.child) r.child::text, format('%I IN (SELECT id FROM %s WHERE deal_file_id = $1)', r.col, r.parent)
    FROM refs r JOIN direct d ON d.child = r.parent
    WHERE r.needed AND r.child NOT IN (SELECT child FROM direct)
    UNION ALL
    -- Letters that came in and were filed into it.
    SELECT 'inbound_items', 'filed_into = $1'
    UNION ALL
    -- Stacks of the mail, of which all letters are the file's.
    SELECT 'stacks', 'deal_file_id IS NULL AND items <> ''[]'' AND NOT EXISTS (SELECT 1 FROM jsonb_array_elements_text(stacks.items) AS one
        WHERE one::bigint NOT IN (SELECT i.id FROM inbound_items i WHERE i.filed_into = $1))'
    UNION ALL
    SELECT 'stack_layouts', 'stack_id IN (SELECT s.id FROM stacks s WHERE s.deal_file_id IS NULL AND s.items <> ''[]'' AND NOT EXISTS (
        SELECT 1 FROM jsonb_array_elements_text(s.items) AS one WHERE one::bigint NOT IN (SELECT i.id FROM inbound_items i WHERE i.filed_into = $1)))'
$$;

-- What points from a row to rows of the file, and may be empty, is emptied.
CREATE OR REPLACE FUNCTION let_go_of(file bigint, wanted text) RETURNS void LANGUAGE plpgsql SET search_path = public AS $$
DECLARE back record;
BEGIN
    FOR back IN
        SELECT c.conrelid::regclass::text AS child, a.attname AS col, c.confrelid::regclass::text AS parent, p.rows_of
        FROM pg_constraint c
        JOIN pg_attribute a ON a.attrelid = c.conrelid AND a.attnum = c.conkey[1] AND NOT a.attnotnull
        JOIN (SELECT t.name, t.rows_of FROM tables_of_files() t UNION ALL SELECT 'deal_files', 'id = $1') p ON p.name = c.confrelid::regclass::text
        WHERE c.contype = 'f' AND array_length(c.conkey, 1) = 1 AND c.connamespace = 'public'::regnamespace
          AND a.attname NOT IN ('deal_file_id', 'filed_into') AND (wanted IS NULL OR p.name = wanted)
    LOOP
        BEGIN
            EXECUTE format('UPDATE %s SET %I = NULL WHERE %I IN (SELECT id FROM %s WHERE %s)', back.child, back.col, back.col, back.parent, back.rows_of) USING file;
        EXCEPTION WHEN check_violation THEN
            NULL; -- it may not be empty after all: the row goes before what it points to
        END;
    END LOOP;
END $$;
REVOKE ALL ON FUNCTION let_go_of(bigint, text) FROM PUBLIC;

-- Takes the rows of one file away, in whatever order they allow. Gives how many by table.
CREATE OR REPLACE FUNCTION purge_rows(file bigint) RETURNS jsonb LANGUAGE plpgsql SET search_path = public AS $$
DECLARE
    one record; counts jsonb := '{}'; gone bigint; waiting boolean; moved boolean; is_free boolean := false;
BEGIN
    PERFORM let_go_of(file, 'deal_files');
    LOOP
        waiting := false;
        moved := false;
        FOR one IN SELECT * FROM tables_of_files() LOOP
            BEGIN
                EXECUTE format('DELETE FROM %s WHERE %s', one.name, one.rows_of) USING file;
                GET DIAGNOSTICS gone = ROW_COUNT;
                IF gone > 0 THEN
                    moved := true;
                    counts := jsonb_set(counts, ARRAY[one.name], to_jsonb(coalesce((counts->>one.name)::bigint, 0) + gone));
                END IF;
            EXCEPTION WHEN foreign_key_violation THEN
                waiting := true;
            END;
        END LOOP;
        EXIT WHEN NOT waiting;
        -- Rows that point to each other in a ring.
        IF NOT moved AND is_free THEN
            RAISE EXCEPTION 'rows of the file hang on rows of another' USING ERRCODE = 'restrict_violation';
        END IF;
        IF NOT moved THEN
            PERFORM let_go_of(file, NULL);
            is_free := true;
        END IF;
    END LOOP;
    DELETE FROM deal_files WHERE id = file;
    RETURN counts;
END $$;
REVOKE ALL ON FUNCTION purge_rows(bigint) FROM PUBLIC;

-- Purges a file whose time is over: only with notice given and past, no hold, ended, and by the application itself at work. The
-- certificate is written in the same moment.
CREATE OR REPLACE FUNCTION purge_file(file bigint, certificate text, name_hashed text) RETURNS bigint
    LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
DECLARE f deal_files; n purge_notices; zone text; hashes jsonb := '[]'; here jsonb; one record; counts jsonb; entries integer; last_hash text; made bigint; guest bigint;
BEGIN
    SELECT * INTO f FROM deal_files WHERE id = file AND brokerage_id = session_of('brokerage')::bigint FOR UPDATE;
    IF NOT FOUND OR session_of('sight') IS DISTINCT FROM 'all' THEN
        RAISE EXCEPTION 'no such file to purge' USING ERRCODE = 'insufficient_privilege';
    END IF;
    SELECT o.zone INTO zone FROM offices o WHERE o.id = f.office_id;
    SELECT * INTO n FROM purge_notices WHERE deal_file_id = file;
    IF NOT FOUND OR n.purged_on > (the_moment() AT TIME ZONE zone)::date OR n.announced_on + 60 > n.purged_on OR coalesce(f.closed_on, f.ended_on) IS NULL
        OR f.status IN ('preparing', 'active', 'under_contract') OR EXISTS (SELECT 1 FROM retention_holds h WHERE h.deal_file_id = file AND h.lifted_at IS NULL) THEN
        RAISE EXCEPTION 'it is not time to purge this file' USING ERRCODE = 'restrict_violation';
    END IF;
    PERFORM pg_advisory_xact_lock(1, (file % 2147483647)::int);
    PERFORM set_config('unanimus.purging', 'yes', true);
    SELECT h.seq, h.hash INTO entries, last_hash FROM history h WHERE h.deal_file_id = file ORDER BY h.seq DESC LIMIT 1;
    counts := '{}';
    -- The other side's agent worked in a small file of its own: it is of this deal.
    FOR guest IN SELECT file UNION SELECT w.guest_file_id FROM working_copies w WHERE w.deal_file_id = file AND w.guest_file_id IS NOT NULL LOOP
        FOR one IN SELECT * FROM tables_of_files() LOOP
            EXECUTE format('SELECT coalesce(jsonb_agg(DISTINCT m[1]), ''[]'') FROM %s, regexp_matches(to_jsonb(%s)::text, ''[0-9a-f]{64}'', ''g'') AS m WHERE %s',
                one.name, one.name, one.rows_of) INTO here USING guest;
            hashes := hashes || here;
        END LOOP;
    END LOOP;
    FOR guest IN SELECT w.guest_file_id FROM working_copies w WHERE w.deal_file_id = file AND w.guest_file_id IS NOT NULL LOOP
        UPDATE working_copies SET guest_file_id = NULL WHERE guest_file_id = guest;
        PERFORM purge_rows(guest);
    END LOOP;
    -- Words that only this file was found by.
    CREATE TEMP TABLE IF NOT EXISTS words_purged (word text) ON COMMIT DROP;
    DELETE FROM words_purged;
    INSERT INTO words_purged SELECT DISTINCT w FROM search_rows r, unnest(string_to_array(r.words, ' ')) AS w WHERE r.deal_file_id = file AND length(w) > 3;
    counts := purge_rows(file);
    DELETE FROM search_words s USING words_purged p WHERE s.brokerage_id = f.brokerage_id AND s.word = p.word
        AND NOT EXISTS (SELECT 1 FROM search_rows r WHERE r.brokerage_id = f.brokerage_id AND r.words LIKE '%' || p.word || '%');
    INSERT INTO purge_certificates (key, brokerage_id, office_id, file_key, name_hash, kind, status, opened_on, ended_on, announced_on, by_rule, purged_rows,
        history_entries, history_hash, bytes_left, purged_at)
    VALUES (certificate, f.brokerage_id, f.office_id, f.key, name_hashed, f.kind, f.status, (f.created_at AT TIME ZONE zone)::date,
        coalesce(f.closed_on, f.ended_on), n.announced_on, n.by_rule, counts, coalesce(entries, 0), coalesce(last_hash, repeat('0', 64)),
        (SELECT coalesce(jsonb_agg(DISTINCT b.sha256), '[]') FROM blobs b WHERE b.brokerage_id = f.brokerage_id AND b.sha256 IN (
            SELECT jsonb_array_elements_text(hashes))), the_moment())
    RETURNING id INTO made;
    PERFORM set_config('unanimus.purging', '', true);
    RETURN made;
END $$;

-- Which of these bytes something of the brokerage still names.
CREATE OR REPLACE FUNCTION bytes_in_use(wanted text[]) RETURNS SETOF text LANGUAGE plpgsql STABLE SECURITY DEFINER SET search_path = public AS $$
DECLARE one record;
BEGIN
    FOR one IN
        SELECT c.relname AS name, a.attname AS col, a.atttypid = 'jsonb'::regtype AS is_json
        FROM pg_class c JOIN pg_attribute a ON a.attrelid = c.oid AND a.attnum > 0 AND NOT a.attisdropped
        WHERE c.relkind = 'r' AND c.relnamespace = 'public'::regnamespace
          AND EXISTS (SELECT 1 FROM pg_attribute b WHERE b.attrelid = c.oid AND b.attname = 'brokerage_id' AND NOT b.attisdropped)
          AND c.relname NOT IN ('blobs', 'purge_certificates', 'history', 'brokerage_history', 'history_heads', 'brokerage_history_heads', 'version_texts')
          AND (a.atttypid = 'jsonb'::regtype OR (a.atttypid IN ('bpchar'::regtype, 'text'::regtype) AND format_type(a.atttypid, a.atttypmod) = 'character(64)'))
    LOOP
        RETURN QUERY EXECUTE CASE WHEN one.is_json
            THEN format('SELECT DISTINCT m[1] FROM %I t, regexp_matches(t.%I::text, ''[0-9a-f]{64}'', ''g'') AS m WHERE t.brokerage_id = $1
                AND t.%I::text ~ ''[0-9a-f]{64}'' AND m[1] = ANY ($2)', one.name, one.col, one.col)
            ELSE format('SELECT DISTINCT t.%I::text FROM %I t WHERE t.brokerage_id = $1 AND t.%I = ANY ($2::bpchar[])', one.col, one.name, one.col) END
        USING session_of('brokerage')::bigint, wanted;
    END LOOP;
END $$;

-- Lets bytes go that nothing names: 'in use', 'not yet' (brought within a day), 'elsewhere' (another brokerage has the same), 'gone'.
CREATE OR REPLACE FUNCTION let_bytes_go(wanted text) RETURNS text LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
DECLARE b blobs;
BEGIN
    IF session_of('sight') IS DISTINCT FROM 'all' THEN
        RAISE EXCEPTION 'only the application itself lets bytes go' USING ERRCODE = 'insufficient_privilege';
    END IF;
    -- Two brokerages that let the same bytes go do so one after the other.
    PERFORM pg_advisory_xact_lock(7, hashtext(wanted));
    SELECT * INTO b FROM blobs WHERE brokerage_id = session_of('brokerage')::bigint AND sha256 = wanted FOR UPDATE;
    IF FOUND THEN
        IF b.kept_at > clock_timestamp() - interval '1 day' THEN RETURN 'not yet'; END IF;
        IF EXISTS (SELECT 1 FROM bytes_in_use(ARRAY[wanted])) THEN RETURN 'in use'; END IF;
        DELETE FROM blobs WHERE brokerage_id = b.brokerage_id AND sha256 = wanted;
    END IF;
    RETURN CASE WHEN EXISTS (SELECT 1 FROM blobs WHERE sha256 = wanted) THEN 'elsewhere' ELSE 'gone' END;
END $$;
