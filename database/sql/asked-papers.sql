-- What a signer is asked to add does not change once the round was sent.
CREATE OR REPLACE TRIGGER asks_stay_once_sent BEFORE UPDATE ON signers FOR EACH ROW
    WHEN (OLD.asks IS DISTINCT FROM NEW.asks) EXECUTE FUNCTION refuse_once_sent();
