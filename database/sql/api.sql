-- Programs of others: tokens of persons, webhooks, what they were told, and what a repeated request was answered.
CREATE TABLE IF NOT EXISTS api_tokens (
    id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    key character(26) NOT NULL,
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    tokenable_type text NOT NULL,
    tokenable_id bigint NOT NULL REFERENCES users,
    name text NOT NULL,
    token character(64) NOT NULL,
    abilities jsonb NOT NULL DEFAULT '[]',
    last_used_at timestamptz,
    expires_at timestamptz,
    revoked_at timestamptz,
    created_at timestamptz NOT NULL DEFAULT now(),
    updated_at timestamptz NOT NULL DEFAULT now(),
    CONSTRAINT api_token_key_once UNIQUE (key),
    CONSTRAINT api_token_once UNIQUE (token)
);
CREATE INDEX IF NOT EXISTS api_tokens_of_person ON api_tokens (tokenable_id);

CREATE TABLE IF NOT EXISTS hooks (
    id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    key character(26) NOT NULL,
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    user_id bigint NOT NULL REFERENCES users,
    url text NOT NULL,
    secret text NOT NULL,
    events jsonb NOT NULL,
    seen_id bigint NOT NULL DEFAULT 0,
    from_id bigint NOT NULL DEFAULT 0,
    off_at timestamptz,
    off_because text NOT NULL DEFAULT '',
    created_at timestamptz NOT NULL DEFAULT now(),
    updated_at timestamptz NOT NULL DEFAULT now(),
    CONSTRAINT hook_key_once UNIQUE (key)
);
CREATE INDEX IF NOT EXISTS hooks_of_brokerage ON hooks (brokerage_id) WHERE off_at IS NULL;

-- Each event to each webhook once.
CREATE TABLE IF NOT EXISTS hook_calls (
    id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    key character(26) NOT NULL,
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    hook_id bigint NOT NULL REFERENCES hooks,
    deal_file_id bigint NOT NULL REFERENCES deal_files,
    seq integer NOT NULL,
    event text NOT NULL,
    body text NOT NULL,
    tried integer NOT NULL DEFAULT 0,
    next_at timestamptz,
    taken_at timestamptz,
    given_up_at timestamptz,
    answer text NOT NULL DEFAULT '',
    created_at timestamptz NOT NULL DEFAULT now(),
    updated_at timestamptz NOT NULL DEFAULT now(),
    CONSTRAINT hook_call_key_once UNIQUE (key),
    CONSTRAINT told_once UNIQUE (hook_id, deal_file_id, seq)
);
CREATE INDEX IF NOT EXISTS hook_calls_to_make ON hook_calls (brokerage_id, next_at) WHERE next_at IS NOT NULL;
CREATE INDEX IF NOT EXISTS hook_calls_of_file ON hook_calls (deal_file_id);

CREATE TABLE IF NOT EXISTS api_answers (
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    user_id bigint NOT NULL REFERENCES users,
    once text NOT NULL,
    asked character(64) NOT NULL,
    status smallint NOT NULL,
    body text NOT NULL,
    at timestamptz NOT NULL DEFAULT now(),
    PRIMARY KEY (user_id, once)
);

-- Whoever comes with a token is known by it; before that nothing is in sight.
CREATE OR REPLACE FUNCTION token_by_hash(wanted text) RETURNS SETOF api_tokens LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
BEGIN
    UPDATE api_tokens t SET last_used_at = clock_timestamp() WHERE t.token = wanted AND t.revoked_at IS NULL
        AND (t.last_used_at IS NULL OR t.last_used_at < clock_timestamp() - interval '1 minute');
    RETURN QUERY SELECT t.* FROM api_tokens t JOIN users u ON u.id = t.tokenable_id AND u.active AND NOT u.guest
        WHERE t.token = wanted AND t.revoked_at IS NULL AND (t.expires_at IS NULL OR t.expires_at > clock_timestamp());
END $$;

-- The number of the last entry of any history: where a webhook begins.
CREATE OR REPLACE FUNCTION last_entry() RETURNS bigint LANGUAGE plpgsql STABLE SECURITY DEFINER SET search_path = public AS $$
BEGIN
    RETURN (SELECT coalesce(max(id), 0) FROM history);
END $$;

-- Ends the programs of somebody whose access is closed: by the application itself, or by whoever runs an office of theirs.
CREATE OR REPLACE FUNCTION end_programs_of(person bigint) RETURNS void LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
BEGIN
    IF NOT runs_for(person) THEN
        RAISE EXCEPTION 'not theirs to end' USING ERRCODE = 'insufficient_privilege';
    END IF;
    UPDATE api_tokens SET revoked_at = clock_timestamp()
        WHERE tokenable_id = person AND revoked_at IS NULL AND brokerage_id = session_of('brokerage')::bigint;
    UPDATE hooks SET off_at = clock_timestamp(), off_because = 'Its owner does not work here any more.'
        WHERE user_id = person AND off_at IS NULL AND brokerage_id = session_of('brokerage')::bigint;
END $$;
