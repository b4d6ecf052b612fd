# ./unanimus fleet: an installation on several machines, tried on one. Each machine is a folder under var/fleet: "data" has PostgreSQL
# and its replica, the pooler, the object store, the front and the stand-ins; "web-1" and "web-2" answer people; "work-1" and "work-2"
# do the slow work. A node is told where the others are by its "settings" alone, as an installation is.

FLEET_NODES=(web-1 web-2 work-1 work-2)
FLEET_HOME=${UNANIMUS_FLEET:-${UNANIMUS_HOME:-$ROOT/var}/fleet}

cmd_fleet() {
    local what=${1:-start}
    shift || true
    export UNANIMUS_HOME=$FLEET_HOME
    case $what in
        start) fleet_start ;;
        stop) fleet_stop ;;
        status) fleet_status ;;
        promote) fleet_promote "$@" ;;
        watch) fleet_watch ;;
        drain | take) fleet_drain "$what" "${1:-}" ;;
        walk) fleet_walk "$@" ;;
        prove) fleet_prove "$@" ;;
        *) fail "fleet what? start, stop, status, drain NODE, take NODE, promote, walk, prove [--minutes 5] [--seed 17]" ;;
    esac
}

install_fleet_partners() {
    local missing=()
    [ -x /usr/sbin/haproxy ] || missing+=(haproxy)
    [ -x /usr/sbin/pgbouncer ] || missing+=(pgbouncer)
    if [ ${#missing[@]} -gt 0 ]; then
        [ "$(id -u)" = 0 ] || fail "packages are missing: run  sudo apt-get install --no-install-recommends ${missing[*]}"
        say "installing from the system's packages: ${missing[*]}"
        local policy=/usr/sbin/policy-rc.d placed=
        [ -e $policy ] || { printf '#!/bin/sh\nexit 101\n' >$policy; chmod +x $policy; placed=1; }
        { apt-get update -q && DEBIAN_FRONTEND=noninteractive apt-get install -y -q --no-install-recommends "${missing[@]}"; } \
            >"$ROOT/var/packages.log" 2>&1 || { [ -z "$placed" ] || rm -f $policy; tail -5 "$ROOT/var/packages.log"; fail "${missing[*]} could not be installed; the whole log is var/packages.log"; }
        [ -z "$placed" ] || rm -f $policy
    fi
    [ -d stand-ins/object-store/node_modules/s3rver ] && return
    say "installing the object store for trial"
    (cd stand-ins/object-store && npm ci --ignore-scripts --no-audit --no-fund) >var/npm.log 2>&1 || { tail -20 var/npm.log; fail "the object store could not be installed; the whole log is var/npm.log"; }
    chmod -R a+rX stand-ins/object-store/node_modules
}

# The ports of the machine "data" beside its own six.
fleet_ports() { BOUNCER=$((BASE + 6)) SECOND=$((BASE + 7)) STORE=$((BASE + 8)) FRONT=$((BASE + 9)); }

# Which of the two databases is written to: 1 until the second one was promoted.
primary_number() { cat "$FLEET_HOME/data/primary" 2>/dev/null || echo 1; }
number_port() { [ "$1" = 1 ] && echo $((BASE + 5)) || echo "$SECOND"; }
number_data() { if [ "$1" = 1 ]; then pgdata; else echo "$(pgdata)-2"; fi; }

fleet_start() {
    set_up
    install_fleet_partners
    mkdir -p "$FLEET_HOME"
    fleet_data
    local node
    for node in "${FLEET_NODES[@]}"; do fleet_node "$node"; done
    use_state data
    fleet_ports
    fleet_front
    echo "the fleet is at http://127.0.0.1:$FRONT"
}

# PostgreSQL first, with the tables brought up to date; then its replica, and what stands between it and the nodes.
fleet_data() {
    use_state data
    choose_ports
    fleet_ports
    local port
    for port in $BOUNCER $SECOND $STORE $FRONT; do is_running || port_is_free "$port" || fail "port $port is in use by another program: stop it first"; done
    { [ -f "$UNANIMUS_STATE/settings" ] && is_running; } || fleet_settings "http://127.0.0.1:$FRONT" >"$UNANIMUS_STATE/settings"
    write_configuration
    keep_programs "php-fpm-$RELEASE nginx post-room"
    fleet_fill programs.conf "$UNANIMUS_STATE/run/fleet.conf"
    cat "$UNANIMUS_STATE/run/fleet.conf" >>"$UNANIMUS_STATE/run/supervisor.conf"
    fleet_pooler
    mkdir -p "$UNANIMUS_STATE/objects/papers"
    sed 's/$/\r/' scripts/templates/fleet/nobody.http >"$UNANIMUS_STATE/run/nobody.http"
    [ -f "$UNANIMUS_STATE/run/haproxy.cfg" ] || fleet_fill haproxy.cfg "$UNANIMUS_STATE/run/haproxy.cfg"
    [ "$(id -un)" = "$APP_USER" ] || chown -R "$APP_USER:" "$UNANIMUS_STATE/run" "$UNANIMUS_STATE/objects"
    if [ "$(primary_number)" = 1 ]; then
        start_database
        alone "$(primary_number)"
        prepare_database
    else
        start_numbered 2
        alone 2
    fi
    as_app php artisan authority:prepare >>"$UNANIMUS_STATE/log/prepare.log" 2>&1
    fleet_replica
    as_app php artisan optimize >>"$UNANIMUS_STATE/log/prepare.log" 2>&1
    is_running || { clear_orphans; as_server supervisord -c "$UNANIMUS_STATE/run/supervisor.conf"; }
}

# What differs from a copy that is alone on its machine.
fleet_settings() {
    cat <<TEXT
APP_URL=$1
UNANIMUS_TRUSTED_PROXIES=127.0.0.1
UNANIMUS_BYTES=s3
UNANIMUS_S3_ENDPOINT=http://127.0.0.1:$STORE
UNANIMUS_S3_BUCKET=papers
UNANIMUS_S3_KEY=S3RVER
UNANIMUS_S3_SECRET=S3RVER
TEXT
}

# A node: the same code and the same secrets, nothing of its own that matters.
fleet_node() {
    local node=$1 data=$FLEET_HOME/data programs=() front pooler more
    use_state data
    fleet_ports
    front=http://127.0.0.1:$FRONT
    more=$(fleet_settings "$front"; printf '%s\n' "DB_PORT=$BOUNCER" DB_KEEP_STATEMENTS=false DB_REPLICA=unanimus \
        "DB_REPLICA_PORT=$(number_port $((3 - $(primary_number))))" \
        "MAIL_PORT=$((BASE + 3))" "UNANIMUS_EXCHANGE_URL=http://127.0.0.1:$((BASE + 1))" "UNANIMUS_STAMPS_URL=http://127.0.0.1:$((BASE + 4))" \
        "UNANIMUS_POST_ROOM_URL=http://127.0.0.1:$((BASE + 2))" "UNANIMUS_POST_ROOM_FOLDER=$data/mail" "UNANIMUS_ANCHORS=$data/anchors")
    use_state "$node"
    # Workers listen nowhere.
    if [[ "$node" = web-* ]]; then
        [ -f "$UNANIMUS_STATE/port" ] || { BASE=$((FRONT - 9 + 10 * ${node#web-})); echo "$BASE" >"$UNANIMUS_STATE/port"; }
        choose_ports
    fi
    rm -rf "$UNANIMUS_STATE/secrets"
    cp -rp "$data/secrets" "$UNANIMUS_STATE/secrets"
    echo "$more" >"$UNANIMUS_STATE/settings"
    write_configuration
    case $node in
        web-*) programs=("php-fpm-$RELEASE" nginx) ;;
        *) programs=(sealing letters conversion reading moving worker scheduler) ;;
    esac
    keep_programs "${programs[*]}"
    as_app php artisan optimize >>"$UNANIMUS_STATE/log/prepare.log" 2>&1 || { tail -5 "$UNANIMUS_STATE/log/prepare.log"; fail "$node could not be prepared"; }
    is_running || { clear_orphans; as_server supervisord -c "$UNANIMUS_STATE/run/supervisor.conf"; }
}

# Of the programs of a copy those that this machine runs.
keep_programs() {
    awk -v keep=" $1 " '/^\[/ { name = $0; skip = sub(/^\[program:/, "", name) && sub(/\].*/, "", name) && index(keep, " " name " ") == 0 } !skip' \
        "$UNANIMUS_STATE/run/supervisor.conf" >"$UNANIMUS_STATE/run/supervisor.new"
    mv "$UNANIMUS_STATE/run/supervisor.new" "$UNANIMUS_STATE/run/supervisor.conf"
    [ "$(id -un)" = "$APP_USER" ] || chown "$APP_USER:" "$UNANIMUS_STATE/run/supervisor.conf"
}

fleet_fill() {
    sed -e "s|@STATE@|$UNANIMUS_STATE|g" -e "s|@FLEET@|$FLEET_HOME|g" -e "s|@ROOT@|$ROOT|g" -e "s|@BOUNCER@|$BOUNCER|g" -e "s|@STORE@|$STORE|g" -e "s|@FRONT@|$FRONT|g" -e "s|@PRIMARY@|$(number_port "$(primary_number)")|g" \
        -e "s|@WEB1@|$(cat "$FLEET_HOME/web-1/port" 2>/dev/null || echo 1)|g" -e "s|@WEB2@|$(cat "$FLEET_HOME/web-2/port" 2>/dev/null || echo 1)|g" "scripts/templates/fleet/$1" >"$2"
}

fleet_pooler() {
    fleet_fill pgbouncer.ini "$UNANIMUS_STATE/run/pgbouncer.ini"
    printf '"unanimus_app" "%s"\n' "$(cat "$UNANIMUS_STATE/secrets/app")" >"$UNANIMUS_STATE/run/pgbouncer.users"
    chmod 600 "$UNANIMUS_STATE/run/pgbouncer.users"
    [ "$(id -un)" = "$APP_USER" ] || chown "$APP_USER:" "$UNANIMUS_STATE/run/pgbouncer.ini" "$UNANIMUS_STATE/run/pgbouncer.users"
}

# The front learns where the nodes are once they have their ports.
fleet_front() {
    local try
    fleet_fill haproxy.cfg "$UNANIMUS_STATE/run/haproxy.cfg"
    [ "$(id -un)" = "$APP_USER" ] || chown "$APP_USER:" "$UNANIMUS_STATE/run/haproxy.cfg"
    supervise restart front >/dev/null
    for try in $(seq 1 600); do
        [ "$(curl -s -o /dev/null -w '%{http_code}' "http://127.0.0.1:$FRONT/up" 2>/dev/null)" != 200 ] || return 0
        sleep 0.2
    done
    fail "the fleet did not answer at http://127.0.0.1:$FRONT/up; its logs are in $FLEET_HOME/*/log"
}

start_numbered() {
    local port
    port=$(number_port "$1")
    ! "$PGBIN/pg_isready" -q -h 127.0.0.1 -p "$port" || return 0
    as_pg "$PGBIN/pg_ctl" -D "$(number_data "$1")" -w -t 120 -s -l "$(pglog)" -o "-p $port -k $PGSOCKET -c log_min_error_statement=panic -c log_error_verbosity=terse" start \
        || { tail -5 "$(pglog)"; fail "database $1 did not start"; }
}

psql_number() { PGPASSWORD=$(cat "$UNANIMUS_STATE/secrets/owner") psql -h 127.0.0.1 -p "$(number_port "$1")" -U unanimus_owner -q -t -A -v ON_ERROR_STOP=1 "${@:2}"; }

# A primary that nobody follows waits for nobody. The mark first: what is told from now on is on one disk alone.
alone() { touch "$UNANIMUS_STATE/alone" && psql_number "$1" -d postgres -c "ALTER SYSTEM RESET synchronous_standby_names" -c "SELECT pg_reload_conf()" >/dev/null; }

# A copy of the primary that follows it. What is told to be done is on both disks before it is told (synchronous replication), so that
# nothing is lost with either.
fleet_replica() {
    local primary replica data
    primary=$(primary_number)
    replica=$((3 - primary))
    data=$(number_data "$replica")
    if [ ! -f "$data/standby.signal" ] || ! { start_numbered "$replica"; }; then
        say "copying the database to its replica"
        [ ! -f "$data/postmaster.pid" ] || as_pg "$PGBIN/pg_ctl" -D "$data" -m immediate -s stop >/dev/null 2>&1 || true
        rm -rf "$data"
        (cd /tmp && PGPASSWORD=$(cat "$UNANIMUS_STATE/secrets/owner") as_user_with_word "$PGBIN/pg_basebackup" -h 127.0.0.1 -p "$(number_port "$primary")" \
            -U unanimus_owner -D "$data" -R -X stream -c fast) || fail "the replica could not be copied"
        start_numbered "$replica"
    fi
    followed "$primary"
}

# Whether the replica has all that was told to be done is known by this mark: without it the replica may take the primary's place.
followed() { psql_number "$1" -d postgres -c "ALTER SYSTEM SET synchronous_standby_names = '*'" -c "SELECT pg_reload_conf()" >/dev/null && rm -f "$UNANIMUS_STATE/alone"; }

# A replica that is gone for some seconds is not waited for: the primary goes on alone, and is followed again once it is back.
fleet_watch() {
    local missing=0 streaming
    use_state data
    fleet_ports
    while sleep 1; do
        streaming=$(psql_number "$(primary_number)" -d postgres -c "SELECT count(*) FROM pg_stat_replication WHERE state = 'streaming'" 2>/dev/null) || continue
        if [ "$streaming" -gt 0 ]; then
            missing=0
            [ ! -f "$UNANIMUS_STATE/alone" ] || ! followed "$(primary_number)" || say "the replica follows again"
        elif [ ! -f "$UNANIMUS_STATE/alone" ] && [ $((missing += 1)) -ge 5 ]; then
            alone "$(primary_number)" && say "the replica is away: the primary goes on alone"
        fi
    done
}

as_user_with_word() { if [ "$(id -un)" = "$PG_USER" ]; then "$@"; else runuser -u "$PG_USER" -- env HOME=/tmp PGPASSWORD="$PGPASSWORD" "$@"; fi; }

# The replica takes the primary's place. The old one is stopped first, so that nobody writes to both.
fleet_promote() {
    local old new
    use_state data
    fleet_ports
    old=$(primary_number)
    new=$((3 - old))
    [ -f "$(number_data "$new")/standby.signal" ] || fail "there is no replica to promote: ./unanimus fleet start makes one"
    [ ! -f "$UNANIMUS_STATE/alone" ] || [ "${1:-}" = --anyway ] || fail "the replica has not all that was stored; bring the primary back, or lose that: ./unanimus fleet promote --anyway"
    as_pg "$PGBIN/pg_ctl" -D "$(number_data "$old")" -m immediate -s stop >/dev/null 2>&1 || true
    as_pg "$PGBIN/pg_ctl" -D "$(number_data "$new")" -w -s promote || fail "the replica could not be promoted"
    alone "$new"
    echo "$new" >"$UNANIMUS_STATE/primary"
    fleet_pooler
    supervise signal HUP pooler >/dev/null
    say "database $new is the primary now; ./unanimus fleet start makes it a replica"
}

# Whom a web node still answers it answers to the end; nobody new is sent there.
fleet_drain() {
    use_state data
    case $2 in web-1 | web-2) ;; *) fail "which node? ./unanimus fleet $1 web-1" ;; esac
    php -r '$s = stream_socket_client("unix://".$argv[1]) ?: exit(1); fwrite($s, $argv[2]."\n"); echo stream_get_contents($s);' \
        "$UNANIMUS_STATE/run/haproxy.sock" "set server nodes/$2 state $([ "$1" = drain ] && echo drain || echo ready)"
}

fleet_status() {
    local node
    for node in data "${FLEET_NODES[@]}"; do
        use_state "$node"
        echo "$node:"
        if is_running; then supervise status | sed 's/^/  /'; else echo "  stopped"; fi
    done
    use_state data
    fleet_ports
    echo "primary: database $(primary_number), port $(number_port "$(primary_number)")"
}

fleet_stop() {
    local node
    for node in "${FLEET_NODES[@]}" data; do
        [ -d "$FLEET_HOME/$node" ] || continue
        use_state "$node"
        stop_services
    done
    use_state data
    fleet_ports
    for node in 1 2; do as_pg "$PGBIN/pg_ctl" -D "$(number_data $node)" -m fast -s stop >/dev/null 2>&1 || true; done
    echo "stopped; all data is kept under $FLEET_HOME"
}

# The way of a whole deal in the browser, through the front.
fleet_walk() {
    fleet_start
    use_state data
    fleet_ports
    [ -f "$UNANIMUS_STATE/seeded" ] || { say "laying out the demo's files"; seed_story; as_app touch "$UNANIMUS_STATE/seeded"; }
    ln -sfn "$UNANIMUS_STATE" "$FLEET_HOME/test"
    as_app env UNANIMUS_TEST_URL="http://127.0.0.1:$FRONT" php vendor/bin/pest --colors=never --cache-directory="$UNANIMUS_STATE/phpunit" "${@:-tests/Browser/WalkTest.php}"
}
