-- A rehearsal leaves nothing behind: a week after it began it is forgotten, with all that was done in it.
CREATE OR REPLACE FUNCTION forget_rehearsals(before timestamptz) RETURNS integer LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
DECLARE gone bigint[];
BEGIN
    SELECT array_agg(id) INTO gone FROM rounds WHERE rehearsal AND created_at < before;
    IF gone IS NULL THEN RETURN 0; END IF;
    DELETE FROM round_events WHERE round_id = ANY (gone);
    DELETE FROM rounds WHERE id = ANY (gone);
    RETURN cardinality(gone);
END $$;
REVOKE ALL ON FUNCTION forget_rehearsals(timestamptz) FROM PUBLIC;
GRANT EXECUTE ON FUNCTION forget_rehearsals(timestamptz) TO unanimus_app;
