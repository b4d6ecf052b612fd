-- The brokerage's own identity provider (OpenID Connect), by which its people sign in.
CREATE TABLE IF NOT EXISTS identity_providers (
    brokerage_id bigint PRIMARY KEY REFERENCES brokerages,
    issuer text NOT NULL,
    client_id text NOT NULL,
    secret text NOT NULL,
    asks_second_step boolean NOT NULL DEFAULT false,
    is_only boolean NOT NULL DEFAULT false,
    changed_at timestamptz NOT NULL DEFAULT clock_timestamp()
);
-- Who they are there; their address may change.
ALTER TABLE users ADD COLUMN IF NOT EXISTS company_subject text;
CREATE UNIQUE INDEX IF NOT EXISTS users_company_subject ON users (brokerage_id, company_subject);

-- Asked before anybody is signed in: where somebody with this address is sent. Nobody else's brokerage can send them elsewhere.
CREATE OR REPLACE FUNCTION identity_provider_of(address text) RETURNS SETOF identity_providers LANGUAGE plpgsql STABLE SECURITY DEFINER SET search_path = public AS $$
BEGIN
    RETURN QUERY SELECT p.* FROM identity_providers p JOIN users u USING (brokerage_id)
        WHERE lower(u.email) = lower(address) AND u.active AND NOT u.guest;
END $$;
REVOKE ALL ON FUNCTION identity_provider_of(text) FROM PUBLIC;
GRANT EXECUTE ON FUNCTION identity_provider_of(text) TO unanimus_app;

-- Whether the sign-in page has anything to offer but a password.
CREATE OR REPLACE FUNCTION companies_sign_in() RETURNS boolean LANGUAGE plpgsql STABLE SECURITY DEFINER SET search_path = public AS $$
BEGIN
    RETURN EXISTS (SELECT FROM identity_providers);
END $$;
REVOKE ALL ON FUNCTION companies_sign_in() FROM PUBLIC;
GRANT EXECUTE ON FUNCTION companies_sign_in() TO unanimus_app;
