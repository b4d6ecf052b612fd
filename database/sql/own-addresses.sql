-- The address of its own that a brokerage is reached at, where several share an installation.
ALTER TABLE brokerages ADD COLUMN IF NOT EXISTS address text;
CREATE UNIQUE INDEX IF NOT EXISTS brokerage_address_once ON brokerages (lower(address));

-- Asked before anybody is signed in: whose address it is, and no more.
CREATE OR REPLACE FUNCTION brokerage_at(host text) RETURNS TABLE (id bigint, name text, address text) LANGUAGE plpgsql STABLE SECURITY DEFINER SET search_path = public AS $$
BEGIN
    RETURN QUERY SELECT b.id, b.name, b.address FROM brokerages b WHERE lower(b.address) IN ('https://' || lower(host), 'http://' || lower(host));
END $$;
REVOKE ALL ON FUNCTION brokerage_at(text) FROM PUBLIC;
GRANT EXECUTE ON FUNCTION brokerage_at(text) TO unanimus_app;
