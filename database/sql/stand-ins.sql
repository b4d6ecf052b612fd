-- Who signs in a place changes only with an event that says who did until then and who does now.
CREATE OR REPLACE FUNCTION refuse_unless_replaced() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
BEGIN
    IF (SELECT r.status FROM rounds r WHERE r.id = OLD.round_id) <> 'drafting' AND NOT EXISTS (
        SELECT 1 FROM round_events e WHERE e.round_id = OLD.round_id AND e.kind = 'replaced' AND e.data->>'seat' = OLD.seat
            AND e.data->>'was' = OLD.name AND e.data->>'name' = NEW.name AND (e.data->>'held')::int = NEW.held AND NEW.held = OLD.held + 1
    ) THEN
        RAISE EXCEPTION 'who signs in a round that was sent cannot be changed' USING ERRCODE = 'restrict_violation';
    END IF;
    RETURN NEW;
END $$;
CREATE OR REPLACE TRIGGER signers_change_by_replacement BEFORE UPDATE ON signers FOR EACH ROW
    WHEN ((OLD.name, OLD.initials, OLD.held) IS DISTINCT FROM (NEW.name, NEW.initials, NEW.held))
    EXECUTE FUNCTION refuse_unless_replaced();
