# Everything that is kept of a running copy, into a folder and out of it again. The database is taken first: a row never
# names bytes that were not written before it, so the bytes are always at least as new as the rows.

KEPT_BESIDE=(secrets anchors port settings)

cmd_backup() {
    local into=${1:-} part
    use_state "$(own_profile)"
    if [ -z "$into" ]; then
        [ -n "$(backups_place)" ] || fail "where to? ./unanimus backup FOLDER; or UNANIMUS_BACKUPS in $UNANIMUS_STATE/settings (docs/operating.md)"
        take_base
        return
    fi
    require_database
    [ ! -e "$into" ] || [ -z "$(ls -A "$into" 2>/dev/null)" ] || fail "$into has something in it already: give a new folder for each backup"
    part=$into.unfinished
    rm -rf "$part"
    mkdir -p "$part/bytes" && chmod 700 "$part"
    say "the database"
    PGPASSWORD=$(cat "$UNANIMUS_STATE/secrets/owner") "$PGBIN/pg_dump" -h 127.0.0.1 -p $((BASE + 5)) -U unanimus_owner -Fc -f "$part/database.dump" unanimus
    say "the papers"
    # Papers come in meanwhile; that a folder grew is no failure (exit 1), and those are newer than the rows.
    { tar -C "$UNANIMUS_STATE/bytes" --exclude='*.part' --warning=no-file-changed -cf - . || [ $? -eq 1 ]; } | tar -C "$part/bytes" -xpf -
    local one
    for one in "${KEPT_BESIDE[@]}"; do [ ! -e "$UNANIMUS_STATE/$one" ] || cp -a "$UNANIMUS_STATE/$one" "$part/"; done
    say "reading it back"
    [ -s "$part/port" ] || echo "$BASE" >"$part/port"
    "$PGBIN/pg_restore" -l "$part/database.dump" >"$part/contents" || fail "the dump cannot be read back; the backup is not good, and what there is of it is in $part"
    bytes_are_whole "$part/bytes" || fail "papers were not copied whole; the backup is not good, and what there is of it is in $part"
    (cd "$part" && sha256sum database.dump $(find secrets anchors -type f 2>/dev/null | sort) >sums)
    date -u +%Y-%m-%dT%H:%M:%SZ >"$part/taken"
    echo "$PROFILE" >"$part/profile"
    sync -f "$part"
    [ ! -d "$into" ] || rmdir "$into"
    mv "$part" "$into"
    as_app php artisan installation:beat backup >/dev/null 2>&1 || true
    say "backed up to $into: $(find "$into/bytes" -type f | wc -l) files of papers, $(du -sh "$into" | cut -f1) in all. It has the keys in it: keep it where nobody else reads."
}

# Papers lie under their own SHA-256: each must still be what its name says.
bytes_are_whole() {
    local wrong
    [ -n "$(find "$1" -type f -print -quit)" ] || return 0
    wrong=$(cd "$1" && find . -type f ! -name '*.part' -printf '%f  %p\n' | sha256sum -c --quiet 2>&1 | head -5)
    [ -z "$wrong" ] || { echo "$wrong"; return 1; }
}

cmd_restore() {
    local from=${1:-} to=
    [ -n "$from" ] || fail "from where? ./unanimus restore FOLDER"
    if [ "${2:-}" = --to ]; then
        to=${3:-}
        date -d "$to" >/dev/null 2>&1 || fail "to which moment? ./unanimus restore $from --to \"2026-11-27 14:30\""
    fi
    # What was an installation becomes one again, whatever stands on this machine.
    [ -n "${UNANIMUS_PROFILE:-}" ] || ! { cat "$from/profile" "$from"/base/*Z/profile 2>/dev/null || true; } | grep -x live >/dev/null || export UNANIMUS_PROFILE=live
    use_state "$(own_profile)"
    if [ "$from" = --check ]; then
        [ -f "$UNANIMUS_STATE/unchecked" ] || fail "nothing here waits to be checked"
        start_database
        check_restored
        return
    fi
    [ -d "$from/base" ] || { [ -f "$from/taken" ] && [ -f "$from/database.dump" ]; } || fail "$from is no finished backup"
    [ -d "$from/base" ] || [ -z "$to" ] || fail "$from is a backup of one moment; a moment is chosen of those that are taken by themselves"
    if [ -f "$UNANIMUS_STATE/.env" ] || [ -f "$(pgdata)/PG_VERSION" ]; then
        fail "there is a copy in $UNANIMUS_STATE already, and it stays. Restore into a fresh folder: UNANIMUS_HOME=/another/folder ./unanimus restore $from"
    fi
    if [ -d "$from/base" ]; then
        restore_moment "$(cd "$from" && pwd)" "$to"
        return
    fi
    say "reading the backup of $(cat "$from/taken")"
    (cd "$from" && sha256sum -c --quiet sums) || fail "the backup is not what was written: nothing was restored"
    bytes_are_whole "$from/bytes" || fail "papers in the backup are not what they were: nothing was restored"
    set_up
    local one
    for one in bytes "${KEPT_BESIDE[@]}"; do [ ! -e "$from/$one" ] || cp -a "$from/$one" "$UNANIMUS_STATE/"; done
    touch "$UNANIMUS_STATE/unchecked"
    BASE=$(cat "$UNANIMUS_STATE/port")
    choose_ports
    [ "$BASE" = "$(cat "$from/port")" ] || say "port $(cat "$from/port") is in use here: links in letters that are out lead there, this copy is at $(address)"
    write_configuration
    start_database
    say "the database"
    make_role_and_database
    PGPASSWORD=$(cat "$UNANIMUS_STATE/secrets/owner") "$PGBIN/pg_restore" -h 127.0.0.1 -p $((BASE + 5)) -U unanimus_owner -d unanimus --exit-on-error --single-transaction "$from/database.dump" \
        || fail "the database could not be restored; nothing was started"
    prepare_database
    check_restored
}

# Until all of it was read back nothing is sent, sealed or shown: no worker has run yet.
check_restored() {
    as_app php artisan optimize:clear >/dev/null 2>&1 || true
    say "checking what was restored; nothing is sent or shown before it is"
    local good=1
    as_app php artisan kept:verify || good=
    as_app php artisan history:verify || good=
    stop_database
    [ -n "$good" ] || fail "what was restored does not hold (told above). It is not started. Once it is mended: ./unanimus restore --check"
    as_app touch "$UNANIMUS_STATE/seeded"
    rm -f "$UNANIMUS_STATE/unchecked"
    say "restored and checked in $UNANIMUS_STATE. Letters and seals that were under way go on with: ./unanimus start"
}

# A backup of the copy that was tested, restored beside it: the same rows in every table, and a damaged one is refused.
backup_round_trip() {
    local broken=$1 where here there said
    where=$(mktemp -d)
    chmod 711 "$where"
    rows() { psql_owner -d unanimus -At -c "SELECT string_agg(format('SELECT %L, count(*), coalesce(sum(hashtextextended(t::text, 0)::numeric), 0) FROM %I t', tablename, tablename), ' UNION ALL ') || ' ORDER BY 1' FROM pg_tables WHERE schemaname = 'public' AND tablename NOT IN ('cache', 'cache_locks', 'sessions')" | psql_owner -d unanimus -At; }
    supervisorctl -c "$UNANIMUS_STATE/run/supervisor.conf" stop all >/dev/null
    here=$(rows)
    (UNANIMUS_PROFILE=test cmd_backup "$where/backup") || { echo backup >>"$broken"; return 0; }
    (UNANIMUS_HOME=$where/home cmd_restore "$where/backup") || echo restore >>"$broken"
    there=$(UNANIMUS_HOME=$where/home; use_state demo; start_database; rows; stop_database)
    [ -n "$here" ] && [ "$here" = "$there" ] || { diff <(echo "$here") <(echo "$there") || true; echo restored-rows >>"$broken"; }
    (UNANIMUS_HOME=$where/home cmd_restore "$where/backup") >/dev/null 2>&1 && echo restore-over-another >>"$broken"
    local one missing
    # What does not hold is not started.
    missing=$(psql_owner -d unanimus -At -c 'SELECT sha256 FROM blobs LIMIT 1')
    (UNANIMUS_HOME=$where/home; use_state demo; touch "$UNANIMUS_STATE/unchecked"; rm -f "$UNANIMUS_STATE/bytes/${missing:0:2}/${missing:2:2}/$missing")
    (UNANIMUS_HOME=$where/home cmd_restore --check) >/dev/null 2>&1 && echo restore-of-missing-paper >>"$broken"
    (UNANIMUS_HOME=$where/home cmd_start) >/dev/null 2>&1 && echo start-unchecked >>"$broken"
    one=$(find "$where/backup/bytes" -type f -print -quit)
    chmod u+w "$one" && printf x >>"$one"
    said=$(UNANIMUS_HOME=$where/other cmd_restore "$where/backup" 2>&1) && echo restore-of-damage >>"$broken"
    grep -q 'nothing was restored' <<<"$said" || echo damage-untold >>"$broken"
    (UNANIMUS_HOME=$where/home; use_state demo; stop_database; rm -rf "$(pgdata)")
    rm -rf "$where"
}
