# Backups that are taken by themselves into a place of their own (UNANIMUS_BACKUPS in "settings"): the database's log as it is
# written, each paper before the log that names it, the whole database and all keys once a day. Out of them a copy of any moment is made.

setting() { { sed -n "s/^$1=//p" "$UNANIMUS_STATE/settings" 2>/dev/null || true; } | tail -1; }
backups_place() { setting UNANIMUS_BACKUPS; }

# What the database is told when it starts.
archive_options() {
    local place
    place=$(backups_place)
    [ -n "$place" ] || return 0
    printf -- "-c archive_mode=on -c archive_timeout=300 -c archive_command='%s \"%%p\" \"%s/wal/%%f\" \"%s/bytes\"'" "$UNANIMUS_STATE/run/archive-log.sh" "$place" "$UNANIMUS_STATE"
}

make_place() {
    mkdir -p "$1/base" "$1/bytes" "$1/wal"
    chmod 700 "$1/base" "$1/bytes" "$1/wal"
    [ "$(id -un)" = "$PG_USER" ] || chown "$PG_USER:" "$1" "$1/base" "$1/bytes" "$1/wal"
}

# Whoever takes one, by hand as root or by itself: it is all the same user's.
own_place() { [ "$(id -un)" = "$PG_USER" ] || find "$1" ! -user "$PG_USER" -exec chown "$PG_USER:" {} +; }

# One whole copy; what is between two of them is in the log.
take_base() {
    local place name part word
    place=$(backups_place)
    word=$(setting UNANIMUS_BACKUP_PASSPHRASE)
    [ ${#word} -ge 16 ] || fail "UNANIMUS_BACKUP_PASSPHRASE in $UNANIMUS_STATE/settings must have 16 letters or more: the keys are sealed with it. Write it down somewhere else, too"
    require_database
    make_place "$place"
    [ "$(psql_owner -d postgres -Atc 'SHOW archive_mode')" = on ] || fail "the database keeps its log nowhere yet: ./unanimus stop, then ./unanimus start"
    # One at a time, whoever began it: the other waits.
    exec 9>"$place/lock"
    flock 9
    name=$(date -u +%Y-%m-%dT%H%M%SZ)
    part=$place/base/$name.unfinished
    rm -rf "$place"/base/*.unfinished
    mkdir -p "$part"
    say "the database"
    PGPASSWORD=$(cat "$UNANIMUS_STATE/secrets/owner") "$PGBIN/pg_basebackup" -h 127.0.0.1 -p $((BASE + 5)) -U unanimus_owner -w -D "$part/data" -X stream -c fast --manifest-checksums=SHA256 \
        || fail "the database could not be copied; what there is of it is in $part"
    "$PGBIN/pg_verifybackup" -q "$part/data" || fail "the copy of the database is not what was written; it is in $part"
    say "the papers"
    copy_new_bytes "$UNANIMUS_STATE/bytes" "$place"
    say "the keys, sealed"
    seal_keys "$part/keys.sealed" "$word"
    date -u +%Y-%m-%dT%H:%M:%SZ >"$part/taken"
    echo "$PROFILE" >"$part/profile"
    (cd "$part" && sha256sum keys.sealed taken profile >sums)
    sync -f "$part" && mv "$part" "$place/base/$name" || fail "the backup could not be put into its place; it is in $part"
    own_place "$place"
    drop_old_bases "$place"
    exec 9>&-
    as_app php artisan installation:beat backup >/dev/null 2>&1 || true
    say "backed up to $place/base/$name; the log since then goes to $place/wal"
}

seal_keys() {
    local parts=() one
    for one in "${KEPT_BESIDE[@]}"; do [ ! -e "$UNANIMUS_STATE/$one" ] || parts+=("$one"); done
    tar -C "$UNANIMUS_STATE" -cf - "${parts[@]}" | SEALWORD=$2 openssl enc -aes-256-cbc -salt -pbkdf2 -iter 600000 -pass env:SEALWORD -out "$1"
    chmod 600 "$1"
    open_keys "$1" "$2" | tar -tf - | grep '^secrets/app_key$' >/dev/null || fail "the sealed keys could not be opened again"
}

open_keys() { SEALWORD=$2 openssl enc -d -aes-256-cbc -pbkdf2 -iter 600000 -pass env:SEALWORD -in "$1"; }

# Each paper once, for its name is its SHA-256. It is read back before it counts as there. What is gone here goes there, too,
# when the backups that may want it have gone.
copy_new_bytes() {
    local from=$1 place=$2 coming=$2/bytes.coming days lists
    days=$(setting UNANIMUS_BACKUPS_KEEP)
    [ -d "$from" ] || return 0
    lists=$(mktemp -d)
    rm -rf "$coming" && mkdir -p "$coming"
    (cd "$from" && find . -type f ! -name '*.part' | LC_ALL=C sort) >"$lists/here"
    (cd "$place/bytes" && find . -type f ! -name '*.part' | LC_ALL=C sort) >"$lists/there"
    LC_ALL=C comm -23 "$lists/here" "$lists/there" >"$lists/new"
    # Asked after each step: where somebody waits for how this ends, bash goes on after what failed.
    { tar -C "$from" --ignore-failed-read --warning=no-file-changed -T "$lists/new" -cf - || [ $? -eq 1 ]; } | tar -C "$coming" -xpf - \
        || fail "papers could not be copied; what there is of them is in $coming"
    bytes_are_whole "$coming" || fail "papers were not copied whole; what there is of them is in $coming"
    (cd "$coming" && find . -mindepth 1 -type d -exec mkdir -p "$place/bytes/{}" \; && find . -type f -exec mv {} "$place/bytes/{}" \;) || fail "papers could not be put into $place/bytes"
    local one
    while read -r one; do [ -e "$place/bytes/$one" ] || [ ! -e "$from/$one" ] || fail "the paper $one did not arrive in $place/bytes"; done <"$lists/new"
    rm -rf "$coming"
    touch "$place/gone"
    LC_ALL=C comm -13 "$lists/here" "$lists/there" >"$lists/gone"
    # Since when each is gone; what came back counts anew.
    awk -v today="$(date +%s)" 'NR == FNR { since[$2] = $1; next } { print ($1 in since ? since[$1] : today), $1 }' "$place/gone" "$lists/gone" >"$lists/since"
    awk -v limit="$(($(date +%s) - ${days:-14} * 86400))" '$1 < limit { print $2 }' "$lists/since" | (cd "$place/bytes" && xargs -r rm -f --)
    awk -v limit="$(($(date +%s) - ${days:-14} * 86400))" '$1 >= limit' "$lists/since" >"$place/gone"
    rm -rf "$lists"
}

# Those older than is wanted, but never the last two; and the log that none of the others needs.
drop_old_bases() {
    local place=$1 days kept one oldest from
    days=$(setting UNANIMUS_BACKUPS_KEEP)
    mapfile -t kept < <(ls -d "$place"/base/*Z 2>/dev/null | sort)
    for one in "${kept[@]:0:$((${#kept[@]} > 2 ? ${#kept[@]} - 2 : 0))}"; do
        [ "$(date -d "$(cat "$one/taken")" +%s)" -ge $(($(date +%s) - ${days:-14} * 86400)) ] || rm -rf "$one"
    done
    oldest=$(ls -d "$place"/base/*Z | sort | head -1)
    from=$(sed -n 's/^START WAL LOCATION:.*file \([0-9A-F]*\).*/\1/p' "$oldest/data/backup_label")
    [ -z "$from" ] || "$PGBIN/pg_archivecleanup" -x .gz "$place/wal" "$from"
}

# ./unanimus restore PLACE [--to "2026-11-27 14:30"]: a copy as it was at that moment, or as late as the log goes.
restore_moment() {
    local place=$1 to=${2:-} base word
    base=$(base_before "$place" "$to")
    word=${UNANIMUS_BACKUP_PASSPHRASE:-}
    [ -n "$word" ] || { [ -t 0 ] && read -r -s -p "The passphrase of the backups: " word && echo; }
    [ -n "$word" ] || fail "the keys are sealed: UNANIMUS_BACKUP_PASSPHRASE=… ./unanimus restore $place"
    say "reading the backup of $(cat "$base/taken")"
    (cd "$base" && sha256sum -c --quiet sums) && "$PGBIN/pg_verifybackup" -q -n "$base/data" || fail "the backup is not what was written: nothing was restored"
    open_keys "$base/keys.sealed" "$word" 2>/dev/null | tar -tf - >/dev/null 2>&1 || fail "that is not its passphrase: nothing was restored"
    bytes_are_whole "$place/bytes" || fail "papers in the backup are not what they were: nothing was restored"
    set_up
    touch "$UNANIMUS_STATE/unchecked"
    open_keys "$base/keys.sealed" "$word" | tar -C "$UNANIMUS_STATE" -xpf -
    # A copy of a moment writes nothing among the backups it was made of.
    [ ! -f "$UNANIMUS_STATE/settings" ] || sed -i 's/^UNANIMUS_BACKUPS=/#&/' "$UNANIMUS_STATE/settings"
    cp -a "$place/bytes" "$UNANIMUS_STATE/"
    BASE=$(cat "$UNANIMUS_STATE/port")
    choose_ports
    write_configuration
    say "the database${to:+ as it was at $to}"
    replay_log "$base/data" "$place/wal" "$to"
    prepare_database
    check_restored
}

base_before() {
    local place=$1 to=$2 one best=
    for one in $(ls -d "$place"/base/*Z 2>/dev/null | sort); do
        [ -n "$to" ] && [ "$(date -d "$(cat "$one/taken")" +%s)" -gt "$(date -d "$to" +%s)" ] || best=$one
    done
    [ -n "$best" ] || fail "there is no backup in $place from before ${to:-now}; the first is of $(cat "$(ls -d "$place"/base/*Z 2>/dev/null | sort | head -1)/taken" 2>/dev/null || echo never)"
    echo "$best"
}

replay_log() {
    local data wal=$2
    data=$(pgdata)
    mkdir -p "$PGSOCKET" "$(dirname "$data")"
    cp -a "$1" "$data"
    # The database's user reads the log: where it may not, a copy of it.
    if ! as_pg test -r "$wal" -a -x "$wal"; then
        cp -a "$wal" "$PGSOCKET/wal"
        wal=$PGSOCKET/wal
    fi
    {
        echo "restore_command = 'gzip -dc \"$wal/%f.gz\" >\"%p\"'"
        [ -z "$3" ] || echo "recovery_target_time = '$(date -u -d "$3" '+%Y-%m-%d %H:%M:%S+00')'"
        echo "recovery_target_action = 'promote'"
    } >>"$data/postgresql.auto.conf"
    touch "$data/recovery.signal"
    chmod 700 "$data"
    [ "$(id -un)" = "$PG_USER" ] || chown -R "$PG_USER:" "$data" "$PGSOCKET"
    start_database
    local try
    for try in $(seq 1 36000); do
        database_answers || { tail -5 "$(pglog)"; fail "the log does not go as far as ${3:-its end}: give an earlier moment, into another fresh folder"; }
        [ "$(psql_owner -d postgres -Atc 'SELECT pg_is_in_recovery()' 2>/dev/null)" != f ] || break
        sleep 0.1
    done
    for try in restore_command recovery_target_time recovery_target_action; do psql_owner -d postgres -c "ALTER SYSTEM RESET $try"; done
    rm -rf "$PGSOCKET/wal"
}

# Once a month what was kept is made a copy of, which is read through and let go again.
cmd_rehearse() {
    local place where said rows word
    use_state "$(own_profile)"
    place=$(backups_place)
    [ -n "$place" ] || fail "no backups are taken by themselves: UNANIMUS_BACKUPS in $UNANIMUS_STATE/settings"
    word=$(setting UNANIMUS_BACKUP_PASSPHRASE)
    make_place "$place"
    exec 8>"$place/rehearsing"
    flock -n 8 || fail "it is being rehearsed already"
    # What one that was killed left behind: a database that runs, and a copy of everything.
    for where in "${TMPDIR:-/var/tmp}"/unanimus-rehearsal.*; do [ ! -d "$where" ] || let_rehearsal_go "$where"; done
    where=$(mktemp -d "${TMPDIR:-/var/tmp}/unanimus-rehearsal.XXXXXX")
    chmod 711 "$where"
    said=good
    # The database that is started holds no lock of ours: it may outlive whoever started it.
    (UNANIMUS_HOME=$where UNANIMUS_BACKUP_PASSPHRASE=$word cmd_restore "$place") 8>&- || said=
    if [ -n "$said" ]; then
        (
            UNANIMUS_HOME=$where
            use_state "$(own_profile)"
            start_database
            rows=$(psql_owner -d unanimus -Atc "SELECT (SELECT count(*) FROM deal_files) || ' files, ' || (SELECT count(*) FROM papers) || ' papers, ' || (SELECT count(*) FROM rounds) || ' rounds, ' || (SELECT count(*) FROM history) || ' entries of history'")
            as_app php artisan papers:open 10 && echo "  $rows"
        ) 8>&- || said=
    fi
    let_rehearsal_go "$where"
    exec 8>&-
    [ -n "$said" ] || fail "the rehearsal failed (told above): what is backed up does not hold"
    as_app php artisan installation:beat rehearsal >/dev/null 2>&1 || true
    say "rehearsed: a copy was made of $place, checked, and let go again"
}

let_rehearsal_go() {
    (
        UNANIMUS_HOME=$1
        use_state "$(own_profile)"
        stop_database
        rm -rf "$(pgdata)"
    )
    rm -rf "$1"
}

# The program that sees to it, beside the others: a whole copy each day, a rehearsal each month.
cmd_backups() {
    use_state "$(own_profile)"
    local place last
    place=$(backups_place)
    [ -n "$place" ] || fail "UNANIMUS_BACKUPS is not set in $UNANIMUS_STATE/settings"
    while :; do
        last=$(ls -d "$place"/base/*Z 2>/dev/null | sort | tail -1) || true
        [ -n "$last" ] && [ "$(date -d "$(cat "$last/taken")" +%s)" -gt $(($(date +%s) - 86400)) ] || (take_base) || sleep 600
        # The first copy may be of an empty installation: trying it says little.
        if [ "$(ls -d "$place"/base/*Z 2>/dev/null | wc -l)" -gt 1 ] && [ -z "$(find "$place" -maxdepth 1 -name rehearsed -mtime -30)" ]; then
            { (cmd_rehearse) && touch "$place/rehearsed"; } || sleep 600
        fi
        sleep 60
    done
}

# Of the copy that was tested: a moment between two entries is restored; the wrong word is refused; the oldest copy goes in time.
moment_round_trip() {
    local broken=$1 where moment said try
    where=$(mktemp -d)
    chmod 711 "$where"
    supervisorctl -c "$UNANIMUS_STATE/run/supervisor.conf" stop all >/dev/null
    stop_database
    printf 'UNANIMUS_BACKUPS=%s\nUNANIMUS_BACKUP_PASSPHRASE=seven-lantern-fish-swim\nUNANIMUS_BACKUPS_KEEP=0\n' "$where/place" >"$UNANIMUS_STATE/settings"
    start_database
    (take_base) || echo base-backup >>"$broken"
    psql_owner -d unanimus -c "CREATE TABLE IF NOT EXISTS moments (word text); TRUNCATE moments; INSERT INTO moments VALUES ('before')"
    moment=$(psql_owner -d unanimus -Atc "SELECT to_char(date_trunc('second', clock_timestamp()) + interval '1 second', 'YYYY-MM-DD HH24:MI:SSOF'), pg_sleep(2)" | cut -d'|' -f1)
    psql_owner -d unanimus -c "INSERT INTO moments VALUES ('after')"
    said=$(psql_owner -d unanimus -Atc 'SELECT pg_walfile_name(pg_switch_wal())')
    for try in $(seq 1 600); do [ ! -f "$where/place/wal/$said.gz" ] || break; sleep 0.1; done
    (UNANIMUS_HOME=$where/home UNANIMUS_BACKUP_PASSPHRASE=another-word-than-that cmd_restore "$where/place") >/dev/null 2>&1 && echo restore-by-a-wrong-word >>"$broken"
    (UNANIMUS_HOME=$where/home UNANIMUS_BACKUP_PASSPHRASE=seven-lantern-fish-swim cmd_restore "$where/place" --to "$moment") || echo restore-of-a-moment >>"$broken"
    said=$(UNANIMUS_HOME=$where/home; use_state demo; start_database; psql_owner -d unanimus -Atc "SELECT string_agg(word, ' ') FROM moments"; stop_database)
    [ "$said" = before ] || { echo "the moment restored says: $said"; echo moment >>"$broken"; }
    # Also where one that was killed left its copy behind.
    mkdir -p /var/tmp/unanimus-rehearsal.killed/test
    (UNANIMUS_PROFILE=test cmd_rehearse) || echo rehearsal >>"$broken"
    [ -z "$(ls -d /var/tmp/unanimus-rehearsal.* 2>/dev/null)" ] || echo rehearsal-stays >>"$broken"
    # A second apart each, for they are named by the second.
    for try in 1 2; do sleep 1; (take_base) >/dev/null || echo "base-backup-$try" >>"$broken"; done
    [ "$(ls "$where/place/base" | wc -l)" = 2 ] || echo old-backups-stay >>"$broken"
    (UNANIMUS_HOME=$where/home; use_state demo; stop_database; rm -rf "$(pgdata)")
    stop_database
    rm -rf "$UNANIMUS_STATE/settings" "$where"
    start_database
    psql_owner -d unanimus -c 'DROP TABLE moments'
}
