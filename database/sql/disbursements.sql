-- Each authorization of a disbursement, numbered; one that was withdrawn stays, with why. What a sheet counted in plan years and
-- yearly caps belongs to its authorization, and counts while that is in force and the sale has not fallen through.
CREATE TABLE IF NOT EXISTS disbursements (
    id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    key character(26) NOT NULL,
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    deal_file_id bigint NOT NULL REFERENCES deal_files,
    commission_id bigint NOT NULL REFERENCES commissions,
    side text,
    number smallint NOT NULL,
    closing date NOT NULL,
    price numeric(14,2) NOT NULL,
    gross numeric(14,2) NOT NULL,
    company numeric(14,2) NOT NULL,
    reckoned jsonb NOT NULL,
    wording text NOT NULL,
    despite text NOT NULL DEFAULT '',
    paper_id bigint REFERENCES papers,
    authorized_at timestamptz NOT NULL,
    authorized_by bigint NOT NULL REFERENCES users,
    withdrawn_at timestamptz,
    withdrawn_by bigint REFERENCES users,
    withdrawn_why text NOT NULL DEFAULT '',
    sent_to text NOT NULL DEFAULT '',
    sent_at timestamptz,
    received_on date,
    received_note text NOT NULL DEFAULT '',
    wired numeric(14,2),
    wired_on date,
    updated_at timestamptz NOT NULL DEFAULT now(),
    CONSTRAINT disbursement_key_once UNIQUE (key),
    CONSTRAINT disbursement_number_once UNIQUE (commission_id, number)
);
CREATE UNIQUE INDEX IF NOT EXISTS one_disbursement_in_force ON disbursements (commission_id) WHERE withdrawn_at IS NULL;
CREATE INDEX IF NOT EXISTS disbursements_by_closing ON disbursements (brokerage_id, closing);

-- What was paid of it: to whom, when, how.
CREATE TABLE IF NOT EXISTS payments (
    id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    deal_file_id bigint NOT NULL REFERENCES deal_files,
    disbursement_id bigint NOT NULL REFERENCES disbursements,
    side text,
    payee text NOT NULL,
    amount numeric(14,2) NOT NULL,
    how text NOT NULL,
    reference text NOT NULL DEFAULT '',
    paid_on date NOT NULL,
    user_id bigint NOT NULL REFERENCES users,
    made_at timestamptz NOT NULL DEFAULT now(),
    struck_at timestamptz,
    struck_why text NOT NULL DEFAULT ''
);
-- One that was noted by mistake is struck and stays.
CREATE UNIQUE INDEX IF NOT EXISTS paid_once ON payments (disbursement_id, payee) WHERE struck_at IS NULL;

-- What was entered for a sheet, each time it was stored.
CREATE TABLE IF NOT EXISTS commission_versions (
    id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    key character(26) NOT NULL,
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    deal_file_id bigint NOT NULL REFERENCES deal_files,
    commission_id bigint NOT NULL REFERENCES commissions,
    side text,
    given jsonb NOT NULL,
    figures jsonb NOT NULL,
    user_id bigint NOT NULL REFERENCES users,
    made_at timestamptz NOT NULL DEFAULT now(),
    CONSTRAINT commission_version_key_once UNIQUE (key)
);
CREATE INDEX IF NOT EXISTS versions_of_commission ON commission_versions (commission_id, id);

-- What agents owe, in the order in which it is taken.
CREATE TABLE IF NOT EXISTS agent_debts (
    id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    key character(26) NOT NULL,
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    user_id bigint NOT NULL REFERENCES users,
    label text NOT NULL,
    amount numeric(14,2) NOT NULL CHECK (amount > 0),
    payee text NOT NULL DEFAULT '',
    settled_at timestamptz,
    settled_why text NOT NULL DEFAULT '',
    made_by bigint NOT NULL REFERENCES users,
    once text,
    created_at timestamptz NOT NULL DEFAULT now(),
    updated_at timestamptz NOT NULL DEFAULT now(),
    CONSTRAINT agent_debt_key_once UNIQUE (key),
    CONSTRAINT agent_debt_pressed_once UNIQUE (user_id, once)
);

-- What an authorized sheet took of yearly caps and of debts.
CREATE TABLE IF NOT EXISTS sheet_counts (
    id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    disbursement_id bigint NOT NULL REFERENCES disbursements,
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    deal_file_id bigint NOT NULL REFERENCES deal_files,
    what text NOT NULL CHECK (what IN ('franchise', 'fee', 'debt')),
    label text NOT NULL DEFAULT '',
    user_id bigint REFERENCES users,
    office_id bigint REFERENCES offices,
    debt_id bigint REFERENCES agent_debts,
    year_begins date NOT NULL,
    amount numeric(14,2) NOT NULL
);
CREATE INDEX IF NOT EXISTS sheet_counts_of_caps ON sheet_counts (brokerage_id, what, year_begins);
CREATE INDEX IF NOT EXISTS sheet_counts_of_debts ON sheet_counts (debt_id) WHERE debt_id IS NOT NULL;

ALTER TABLE plan_counts ADD COLUMN IF NOT EXISTS disbursement_id bigint REFERENCES disbursements;
ALTER TABLE plan_counts DROP CONSTRAINT IF EXISTS plan_counts_pkey;
CREATE UNIQUE INDEX IF NOT EXISTS plan_counts_once ON plan_counts (disbursement_id, user_id);

-- How an office words its authorizations: who is paid by escrow, letterhead, by which reference the account is known.
ALTER TABLE offices ADD COLUMN IF NOT EXISTS disbursement jsonb NOT NULL DEFAULT '{}';

-- What a sheet would bring as it stands, kept so that reports need not compute it: of which figures it was computed, and when those
-- are others, it is computed anew.
ALTER TABLE commissions ADD COLUMN IF NOT EXISTS expected jsonb;
ALTER TABLE commissions ADD COLUMN IF NOT EXISTS wording text NOT NULL DEFAULT '';

-- Reports kept under a name, some of them sent each month.
CREATE TABLE IF NOT EXISTS kept_reports (
    id bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    key character(26) NOT NULL,
    brokerage_id bigint NOT NULL REFERENCES brokerages,
    user_id bigint NOT NULL REFERENCES users,
    name text NOT NULL,
    asked jsonb NOT NULL,
    monthly boolean NOT NULL DEFAULT false,
    created_at timestamptz NOT NULL DEFAULT now(),
    updated_at timestamptz NOT NULL DEFAULT now(),
    CONSTRAINT kept_report_key_once UNIQUE (key),
    CONSTRAINT kept_report_name_once UNIQUE (user_id, name)
);

-- Asked for by email, once: the row goes when the email is put.
ALTER TABLE kept_reports ADD COLUMN IF NOT EXISTS asked_at timestamptz;

-- Fees that an office usually takes, suggested on each new sheet.
ALTER TABLE offices ADD COLUMN IF NOT EXISTS fees jsonb NOT NULL DEFAULT '[]';
