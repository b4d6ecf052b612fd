# Another version of the code, taken up while people work. Its folder lies beside the one that runs, and the command is given in
# it. The way back is the same command in the older folder, for as long as nothing was taken away that the older code needs.

cmd_upgrade() {
    local before
    use_installation
    exec 7>"$UNANIMUS_STATE/run/upgrading"
    flock -n 7 || fail "an upgrade is under way already"
    if [ "${1:-}" = --finish ]; then
        finish_upgrade
        return
    fi
    is_running && answers || fail "it does not run, or does not answer: ./unanimus start with the version that is there, then this once more"
    before=$(cat "$UNANIMUS_STATE/run/code")
    [ "$before" != "$ROOT" ] || fail "$ROOT is what runs. Put the other version into a folder of its own, and give the command there"
    [ "$APP_USER" = "$PG_USER" ] || fail "the user unanimus cannot read $ROOT: put the code where everybody may read it, as $before is"
    set_up
    may_serve
    save_before
    say "the database, while $before serves"
    as_app mkdir -p "$(dirname "$APP_CONFIG_CACHE")"
    make_role_and_database
    change_database database/migrations
    say "the code of $ROOT, beside it"
    OLD_PROGRAMS=$(awk '/^\[/ { old = /^\[program:php-fpm-/ } old' "$UNANIMUS_STATE/run/supervisor.conf")
    SITE_STAYS=1 write_configuration
    as_app php artisan optimize >"$UNANIMUS_STATE/log/prepare.log" 2>&1 || { tail -5 "$UNANIMUS_STATE/log/prepare.log"; fail "the new code could not be prepared; $before goes on"; }
    begin_beside "$before"
    say "the web server turns to it"
    turn_web_server "$before"
    say "the workers, then what is left of $before"
    end_before
    echo "$(date -u +%Y-%m-%dT%H:%M:%SZ) $ROOT" >>"$UNANIMUS_STATE/upgrades"
    write_units
    say "$ROOT serves. The way back: cd $before && ./unanimus upgrade${SAVED:+. The backup from before is in $SAVED}"
    [ -z "$(pending_contractions)" ] || say "once nobody wants to go back: ./unanimus upgrade --finish takes away what only $before needed"
}

# The installation on this machine, from whichever folder the command is given.
use_installation() {
    UNANIMUS_HOME=${UNANIMUS_HOME:-$(sed -n 's/^HOME=//p' "${UNANIMUS_ETC:-/etc}/unanimus/installation" 2>/dev/null || true)}
    UNANIMUS_PROFILE=live
    export UNANIMUS_HOME UNANIMUS_PROFILE
    [ -n "$UNANIMUS_HOME" ] && [ -d "$UNANIMUS_HOME/live/run" ] || fail "there is no installation on this machine: ./unanimus install"
    use_state live
}

# A migration adds; what takes away stands in database/contractions, is called so, and is for ./unanimus upgrade --finish.
may_serve() {
    local unknown
    unknown=$(comm -23 <(psql_owner -d unanimus -Atc 'SELECT migration FROM migrations' | LC_ALL=C sort) <(ls database/migrations database/contractions | sed -n 's/\.php$//p' | LC_ALL=C sort) | grep _contract_ || true)
    [ -z "$unknown" ] || { printf '  %s\n' $unknown; fail "what $ROOT needs was taken away from the database since: it cannot serve any more. A backup of that day can, in a fresh folder"; }
}

pending_contractions() { comm -13 <(psql_owner -d unanimus -Atc 'SELECT migration FROM migrations' | LC_ALL=C sort) <(ls database/contractions | sed -n 's/\.php$//p' | LC_ALL=C sort); }

# Statements that stand prepared know the tables as they were: from the moment the first mark is there nobody prepares for longer than
# a request. Then requests wait at the door, those that are inside are waited for, and the tables change under nobody's hands. A lock
# that does not come at once is let go, so that nobody waits behind it, and asked for again. When the rest fails the first mark stays: what
# serves on may hold statements that know the tables as they were, and goes without any, a little slower, until it begins anew.
change_database() {
    local try run=$UNANIMUS_STATE/run
    as_app touch "$run/tables-change"
    sleep 0.5
    wait_for_those_inside
    for try in $(seq 1 30); do
        as_app touch "$run/requests-wait"
        # Who came through the door a moment ago has not asked the database yet.
        sleep 0.3
        wait_for_those_inside
        if (PGOPTIONS='-c lock_timeout=2s' migrate_by_owner "$1"); then
            rm -f "$run/requests-wait"
            return 0
        fi
        rm -f "$run/requests-wait"
        grep -qE 'lock timeout|deadlock' "$UNANIMUS_STATE/log/migrate.log" || break
        sleep 1
    done
    tail -30 "$UNANIMUS_STATE/log/migrate.log"
    fail "the database could not be brought up to date; what serves goes on"
}

wait_for_those_inside() {
    local since try
    since=$(psql_owner -d unanimus -Atc 'SELECT clock_timestamp()')
    for try in $(seq 1 300); do
        [ "$(psql_owner -d unanimus -Atc "SELECT count(*) FROM pg_stat_activity WHERE datname = 'unanimus' AND usename = 'unanimus_app' AND xact_start < '$since'")" != 0 ] || break
        sleep 0.05
    done
}

finish_upgrade() {
    [ "$(cat "$UNANIMUS_STATE/run/code")" = "$ROOT" ] || fail "give it in the folder that serves: $(cat "$UNANIMUS_STATE/run/code")"
    [ -n "$(pending_contractions)" ] || { say "there is nothing to take away"; return 0; }
    save_before
    change_database database/contractions
    begin_anew
    rm -f "$UNANIMUS_STATE/run/tables-change"
    say "done: there is no way back to an older version now, but out of a backup"
}

# Connections still hold statements that know the tables as they were: what holds them ends when it has answered.
begin_anew() {
    local children one try
    children=$(pgrep -P "$(supervise pid "php-fpm-$RELEASE")" | paste -sd' ')
    supervise signal USR2 "php-fpm-$RELEASE" >/dev/null
    for one in $children; do
        for try in $(seq 1 400); do kill -0 "$one" 2>/dev/null || break; sleep 0.1; done
    done
    for one in $({ supervise status || true; } | awk '{ print $1 }' | grep -vE '^(php-fpm-|nginx$)'); do supervise restart "$one" >/dev/null; done
}

save_before() {
    say "a backup first"
    SAVED=
    if [ -n "$(backups_place)" ]; then
        (take_base) || fail "nothing was changed"
    else
        SAVED=$UNANIMUS_HOME/before-$(date -u +%Y-%m-%dT%H%M%SZ)
        (cmd_backup "$SAVED") || fail "nothing was changed"
    fi
}

supervise() { supervisorctl -c "$UNANIMUS_STATE/run/supervisor.conf" "$@"; }
older_programs() { { supervise status || true; } | sed -n 's/^\(php-fpm-[0-9a-f]*\) .*/\1/p' | { grep -v "^php-fpm-$RELEASE$" || true; }; }

# Both are in the supervisor's list for a while; if the new one does not answer it goes from it again.
begin_beside() {
    local try
    printf '%s\n' "$OLD_PROGRAMS" >>"$UNANIMUS_STATE/run/supervisor.conf"
    supervise update "php-fpm-$RELEASE" >/dev/null
    for try in $(seq 1 600); do
        ! new_answers || return 0
        sleep 0.1
    done
    supervise stop "php-fpm-$RELEASE" >/dev/null
    fail "the new code does not answer (its logs are in $UNANIMUS_STATE/log); $1 goes on"
}

# Asked past the web server, which does not know it yet.
new_answers() {
    [ -S "$UNANIMUS_STATE/run/fpm-$RELEASE.sock" ] && as_app env -i SCRIPT_FILENAME="$ROOT/public/index.php" SCRIPT_NAME=/index.php REQUEST_METHOD=GET "REQUEST_URI=/up?start=1" \
        QUERY_STRING=start=1 SERVER_PROTOCOL=HTTP/1.1 REMOTE_ADDR=127.0.0.1 "HTTP_HOST=$(setting APP_URL | sed 's|^https*://||; s|/.*||')" HTTPS=on \
        cgi-fcgi -bind -connect "$UNANIMUS_STATE/run/fpm-$RELEASE.sock" 2>/dev/null | grep '"database":true' >/dev/null
}

# Its workers end what they are answering; the new ones know the new code alone.
turn_web_server() {
    local run=$UNANIMUS_STATE/run workers try one
    cp -a "$run/site.conf" "$run/site.before"
    cp -a "$run/nginx.conf" "$run/nginx.before"
    write_site
    if ! as_server nginx -t -q -e "$UNANIMUS_STATE/log/nginx.log" -c "$run/nginx.conf"; then
        mv "$run/site.before" "$run/site.conf" && mv "$run/nginx.before" "$run/nginx.conf"
        supervise stop "php-fpm-$RELEASE" >/dev/null
        fail "the web server does not take what it is told; $1 goes on"
    fi
    workers=$(pgrep -P "$(cat "$run/nginx.pid")" | paste -sd' ')
    supervise signal HUP nginx >/dev/null
    as_app touch "$run/began"
    echo "$ROOT" >"$run/code"
    for one in $workers; do
        for try in $(seq 1 1300); do kill -0 "$one" 2>/dev/null || break; sleep 0.1; done
    done
}

end_before() {
    write_configuration
    supervise update >/dev/null
    rm -f "$UNANIMUS_STATE/run/tables-change"
    [ -z "$(older_programs)" ] && answers || fail "the new code serves, but what runs beside it is not as it should be: ./unanimus status, and the logs in $UNANIMUS_STATE/log"
}

# Another version with another column in tables that every page reads, and one page that says so: while twenty pages a second are asked
# for it is taken up, the older one again, and the newer one once more; then what only the older one needed is taken away, and every
# secret becomes another. No page goes unanswered.
upgrade_there_and_back() {
    local broken=$1 where=$2 url=$3 next=$2/next email said
    use_state live
    mkdir -m 755 "$next"
    tar --exclude=./var --exclude=./.git --exclude=./node_modules -cf - . | tar -C "$next" -xf -
    ln -s "$ROOT/node_modules" "$next/node_modules"
    sed -i '1s/^/{{-- the next version --}}\n<!-- the next version -->\n/' "$next/resources/views/access/sign-in.blade.php"
    cat >"$next/database/migrations/2099_01_01_000000_widen.php" <<'PHP'
<?php
return new class () extends Illuminate\Database\Migrations\Migration {
    public function up(): void
    {
        foreach (['users', 'brokerages', 'offices', 'deal_files', 'sessions'] as $table) {
            Illuminate\Support\Facades\DB::statement("ALTER TABLE {$table} ADD COLUMN next_version text");
        }
    }
};
PHP
    sed 's/ADD COLUMN/DROP COLUMN/; s/ text"/"/' "$next/database/migrations/2099_01_01_000000_widen.php" >"$next/database/contractions/2099_01_01_000001_contract_it.php"
    email=$(psql_owner -d unanimus -Atc 'SELECT email FROM users ORDER BY id LIMIT 1')
    psql_owner -d unanimus -c "UPDATE users SET password = '$(php -r 'echo password_hash("heron-weir", PASSWORD_BCRYPT);')'"
    php scripts/steady.php "$url" 127.0.0.1 "$UNANIMUS_STATE/tls/chain.pem" "$email" heron-weir 20 "$where/enough" / /files /office /me >"$where/steady" 2>&1 &
    local steady=$!
    serves_next() { curl -s --max-time 20 --cacert "$UNANIMUS_STATE/tls/chain.pem" --resolve "${url#https://}:127.0.0.1" "$url/sign-in" | grep 'the next version' >/dev/null; }
    ! serves_next || echo upgrade-before-its-time >>"$broken"
    (cd "$next" && ./unanimus upgrade) || echo upgrade >>"$broken"
    serves_next || echo upgrade-not-taken-up >>"$broken"
    (cmd_upgrade) || echo upgrade-back >>"$broken"
    ! serves_next || echo upgrade-not-taken-back >>"$broken"
    (cd "$next" && ./unanimus upgrade) >/dev/null || echo upgrade-once-more >>"$broken"
    (cd "$next" && ./unanimus upgrade --finish) || echo upgrade-finish >>"$broken"
    (cd "$next" && ./unanimus rotate app-key && ./unanimus rotate seal-key && ./unanimus rotate database) || echo rotate >>"$broken"
    [ "$(cut -d: -f2 "$UNANIMUS_STATE/secrets/app_keys_before")" != "$(cut -d: -f2 "$UNANIMUS_STATE/secrets/app_key")" ] || echo key-not-rotated >>"$broken"
    touch "$where/enough"
    wait "$steady" || { echo lost-in-an-upgrade >>"$broken"; grep '"exception"' "$UNANIMUS_STATE/log/unanimus.jsonl" | cut -c1-600 | tail -5; }
    cat "$where/steady"
    said=$( (cmd_upgrade) 2>&1) && echo upgrade-back-too-late >>"$broken"
    grep -q 'was taken away' <<<"$said" || { echo "$said"; echo upgrade-back-too-late-untold >>"$broken"; }
    serves_next || echo upgrade-lost-by-what-was-refused >>"$broken"
}
