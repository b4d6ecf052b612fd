<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * What happened stays as it happened. History is written by one function that takes who and when from the session; its hash
 * goes over every column, and the head of each file's chain is kept with a code made by a key the database does not hold.
 * What was sent for signature cannot be changed, whoever asks.
 */
return new class extends Migration
{
    public function up(): void
    {
        $this->history();
        $this->signing();
    }

    private function history(): void
    {
        DB::unprepared(<<<'SQL'
            CREATE TABLE history_heads (
                deal_file_id bigint PRIMARY KEY REFERENCES deal_files,
                brokerage_id bigint NOT NULL REFERENCES brokerages,
                seq integer NOT NULL,
                hash char(64) NOT NULL,
                mac char(64) NOT NULL,
                moved_at timestamptz NOT NULL DEFAULT clock_timestamp()
            );
            CREATE INDEX heads_by_time ON history_heads (brokerage_id, moved_at);
            ALTER TABLE history_heads ENABLE ROW LEVEL SECURITY;
            CREATE POLICY own_brokerage ON history_heads USING (brokerage_id = (SELECT told('brokerage')::bigint));
            GRANT SELECT, INSERT, UPDATE ON history_heads TO unanimus_app;

            CREATE FUNCTION chain_part(value text) RETURNS text LANGUAGE sql IMMUTABLE AS $$
                SELECT CASE WHEN value IS NULL THEN '-;' ELSE octet_length(value) || ':' || value || ';' END $$;
            CREATE FUNCTION chain_hash(h history) RETURNS text LANGUAGE sql STABLE AS $$
                SELECT encode(sha256(convert_to(h.before || E'\n' || chain_part(h.brokerage_id::text) || chain_part(h.deal_file_id::text) || chain_part(h.seq::text)
                    || chain_part(to_char(h.at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US"Z"')) || chain_part(h.who) || chain_part(h.user_id::text) || chain_part(h.what)
                    || chain_part(h.data::text) || chain_part(h.side) || chain_part(h.staff_only::text), 'UTF8')), 'hex') $$;

            -- Entries from before this step are put under the new hash once, now.
            ALTER TABLE history DISABLE TRIGGER history_is_append_only;
            DO $$
            DECLARE h history; last_file bigint; last_hash text;
            BEGIN
                FOR h IN SELECT * FROM history ORDER BY deal_file_id, seq LOOP
                    h.before := CASE WHEN last_file IS DISTINCT FROM h.deal_file_id THEN repeat('0', 64) ELSE last_hash END;
                    last_file := h.deal_file_id;
                    last_hash := chain_hash(h);
                    UPDATE history SET before = h.before, hash = last_hash WHERE id = h.id;
                END LOOP;
            END $$;
            ALTER TABLE history ENABLE TRIGGER history_is_append_only;

            CREATE FUNCTION add_history(file bigint, told_what text, told_data jsonb, told_side text, told_staff boolean)
                RETURNS TABLE (new_seq integer, new_hash text) LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
            DECLARE h history; last_seq integer;
            BEGIN
                h.brokerage_id := told('brokerage')::bigint;
                IF NOT EXISTS (SELECT 1 FROM deal_files f WHERE f.id = file AND f.brokerage_id = h.brokerage_id) THEN
                    RAISE EXCEPTION 'no such file in this brokerage' USING ERRCODE = 'insufficient_privilege';
                END IF;
                PERFORM pg_advisory_xact_lock(1, (file % 2147483647)::int);
                SELECT l.seq, l.hash INTO last_seq, h.before FROM history l WHERE l.deal_file_id = file ORDER BY l.seq DESC LIMIT 1;
                h.deal_file_id := file;
                h.seq := coalesce(last_seq, 0) + 1;
                h.before := coalesce(h.before, repeat('0', 64));
                h.at := clock_timestamp();
                h.user_id := CASE WHEN told('outsider') IS NULL THEN told('actor')::bigint END;
                h.who := coalesce(told('outsider'), (SELECT u.name FROM users u WHERE u.id = h.user_id AND u.brokerage_id = h.brokerage_id), 'Unanimus');
                h.what := told_what;
                h.data := told_data;
                h.side := told_side;
                h.staff_only := told_staff;
                h.hash := chain_hash(h);
                INSERT INTO history (brokerage_id, deal_file_id, seq, at, who, user_id, what, data, before, hash, side, staff_only)
                    VALUES (h.brokerage_id, h.deal_file_id, h.seq, h.at, h.who, h.user_id, h.what, h.data, h.before, h.hash, h.side, h.staff_only);
                RETURN QUERY SELECT h.seq, h.hash::text;
            END $$;
            REVOKE INSERT ON history FROM unanimus_app;
            REVOKE ALL ON FUNCTION add_history(bigint, text, jsonb, text, boolean) FROM PUBLIC;
            GRANT EXECUTE ON FUNCTION add_history(bigint, text, jsonb, text, boolean) TO unanimus_app;
            DROP FUNCTION last_of_history(bigint);
            SQL);
    }

    private function signing(): void
    {
        DB::unprepared(<<<'SQL'
            CREATE FUNCTION refuse_once_sent() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public AS $$
            DECLARE standing text;
            BEGIN
                SELECT r.status INTO standing FROM rounds r WHERE r.id = CASE WHEN TG_OP = 'INSERT' THEN NEW.round_id ELSE OLD.round_id END;
                IF standing IS NOT NULL AND standing <> 'drafting' THEN
                    RAISE EXCEPTION '% of a round that was sent cannot be changed', TG_TABLE_NAME USING ERRCODE = 'restrict_violation';
                END IF;
                IF TG_OP = 'DELETE' THEN RETURN OLD; END IF;
                RETURN NEW;
            END $$;
            CREATE TRIGGER marks_stay_once_sent BEFORE INSERT OR UPDATE OR DELETE ON marks FOR EACH ROW EXECUTE FUNCTION refuse_once_sent();
            CREATE TRIGGER papers_stay_once_sent BEFORE INSERT OR UPDATE OR DELETE ON round_papers FOR EACH ROW EXECUTE FUNCTION refuse_once_sent();
            CREATE TRIGGER signers_come_and_go_before_sending BEFORE INSERT OR DELETE ON signers FOR EACH ROW EXECUTE FUNCTION refuse_once_sent();
            CREATE TRIGGER signers_stay_once_sent BEFORE UPDATE ON signers FOR EACH ROW
                WHEN ((OLD.round_id, OLD.party_id, OLD.seat, OLD.name, OLD.initials, OLD.turn) IS DISTINCT FROM (NEW.round_id, NEW.party_id, NEW.seat, NEW.name, NEW.initials, NEW.turn))
                EXECUTE FUNCTION refuse_once_sent();
            CREATE FUNCTION refuse_unsending() RETURNS trigger LANGUAGE plpgsql AS $$
            BEGIN
                IF OLD.status <> 'drafting' AND (TG_OP = 'DELETE' OR NEW.status = 'drafting' OR NEW.deal_file_id <> OLD.deal_file_id) THEN
                    RAISE EXCEPTION 'a round that was sent stays' USING ERRCODE = 'restrict_violation';
                END IF;
                IF TG_OP = 'DELETE' THEN RETURN OLD; END IF;
                RETURN NEW;
            END $$;
            CREATE TRIGGER rounds_stay_once_sent BEFORE UPDATE OR DELETE ON rounds FOR EACH ROW EXECUTE FUNCTION refuse_unsending();
            SQL);
    }
};
