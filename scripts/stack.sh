# One running copy of Unanimus: its own PostgreSQL, nginx, php-fpm, worker, scheduler and stand-ins, all under
# one state folder (var/demo or var/test), as an unprivileged user, on loopback.

# The demo, or what was installed on this machine.
own_profile() { if [ -n "${UNANIMUS_PROFILE:-}" ]; then echo "$UNANIMUS_PROFILE"; elif [ -d "${UNANIMUS_HOME:-$ROOT/var}/live" ]; then echo live; else echo demo; fi; }

use_state() {
    PROFILE=$1
    # Looked for only now: on a fresh machine it has just been installed.
    PGBIN=$(ls -d /usr/lib/postgresql/*/bin 2>/dev/null | sort -V | tail -1 || true)
    export UNANIMUS_STATE=${UNANIMUS_HOME:-$ROOT/var}/$PROFILE
    mkdir -p "$UNANIMUS_STATE"
    choose_user
    PGSOCKET=/tmp/unanimus-$(echo "$UNANIMUS_STATE" | sha256sum | cut -c1-10)
    export PHP_INI_SCAN_DIR=:$UNANIMUS_STATE/php
    # Two folders of code may serve one copy for a moment, each with what it put together for itself.
    RELEASE=$(printf %s "$ROOT" | sha256sum | cut -c1-8)
    local cache=$UNANIMUS_STATE/cache/$RELEASE
    export APP_CONFIG_CACHE=$cache/config.php APP_ROUTES_CACHE=$cache/routes.php APP_EVENTS_CACHE=$cache/events.php
    export APP_SERVICES_CACHE=$cache/services.php APP_PACKAGES_CACHE=$cache/packages.php
    BASE=$(cat "$UNANIMUS_STATE/port" 2>/dev/null || case $PROFILE in demo) echo 8410 ;; live) echo 8610 ;; *) echo 8510 ;; esac)
}

# PostgreSQL refuses root, and nothing of ours needs it: as root, an own system user runs everything.
choose_user() {
    APP_USER=$(id -un)
    PG_USER=$APP_USER
    [ "$(id -u)" = 0 ] || return 0
    id unanimus >/dev/null 2>&1 || useradd --system --home-dir /nonexistent --shell /usr/sbin/nologin unanimus
    PG_USER=unanimus
    if runuser -u unanimus -- test -r "$ROOT/artisan" && runuser -u unanimus -- test -x "$UNANIMUS_STATE"; then
        APP_USER=unanimus
    else
        say "this folder cannot be read by other users: the web side runs as root, the database does not"
    fi
}

as_user() {
    local user=$1
    shift
    if [ "$(id -un)" = "$user" ]; then "$@"; else runuser -u "$user" -- env HOME=/tmp "$@"; fi
}
as_app() { as_user "$APP_USER" "$@"; }
# An installation answers at ports that only root may open; its programs are given that right alone.
as_server() {
    if [ "$PROFILE" = live ] && [ "$(id -un)" != "$APP_USER" ] && [ "$(setting UNANIMUS_HTTP_PORT)" -lt 1024 ]; then
        setpriv --reuid="$APP_USER" --regid="$(id -gn "$APP_USER")" --init-groups --inh-caps=+net_bind_service --ambient-caps=+net_bind_service env HOME=/tmp "$@"
    else
        as_app "$@"
    fi
}
as_pg() { (cd /tmp && as_user "$PG_USER" "$@"); }
# The database writes its log beside the others, where its user may.
pglog() { if [ "$PG_USER" = "$APP_USER" ]; then echo "$UNANIMUS_STATE/log/postgres.log"; else echo "$PGSOCKET/postgres.log"; fi; }
pgdata() { if [ "$PG_USER" = "$APP_USER" ]; then echo "$UNANIMUS_STATE/pg"; else echo "/var/tmp/$(basename "$PGSOCKET")-pg"; fi; }

port_is_free() { ! (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }

choose_ports() {
    is_running && return 0
    # What outlived its master, after a crash, still holds a port.
    clear_orphans
    ! database_answers || stop_database
    wait_for_ports && claim_ports && return 0
    # Links with this address are out in letters: it does not move by itself.
    [ ! -f "$UNANIMUS_STATE/seeded" ] || fail "port $TAKEN, which the links that are out point to, is used by another program. Stop it, or start over with: ./unanimus demo --fresh"
    local offset start=$BASE
    while :; do
        for offset in 0 1 2 3 4 5; do
            if ! port_is_free $((BASE + offset)); then
                say "port $((BASE + offset)) is in use by another program: trying $((BASE + 10)) and up"
                BASE=$((BASE + 10))
                [ "$BASE" -lt $((start + 500)) ] || fail "no free ports between $start and $BASE"
                continue 2
            fi
        done
        claim_ports && break
        BASE=$((BASE + 10))
    done
    echo "$BASE" >"$UNANIMUS_STATE/port"
}

# Between the look and the start another copy may be choosing, too: the ports are kept for whoever was first, while they live.
claim_ports() {
    local marks=/run/lock/unanimus mark owner
    [ -w /run/lock ] || return 0
    [ -d "$marks" ] || mkdir -m 1777 "$marks" 2>/dev/null || [ -d "$marks" ] || return 0
    mark=$marks/$BASE
    owner=$(cat "$mark" 2>/dev/null || true)
    [ "$owner" != $$ ] || return 0
    # What another user left behind says nothing of now.
    [ -z "$owner" ] || [ -d "/proc/$owner" ] || rm -f "$mark" 2>/dev/null || return 0
    (set -o noclobber; echo $$ >"$mark") 2>/dev/null || { [ -e "$mark" ] && return 1; return 0; }
}

# A port that was just let go may take a moment.
wait_for_ports() {
    local offset try
    [ -f "$UNANIMUS_STATE/port" ] || return 1
    for try in 1 2 3 4 5 6 7 8 9 10; do
        TAKEN=
        for offset in 0 1 2 3 4 5; do port_is_free $((BASE + offset)) || TAKEN=$((BASE + offset)); done
        [ -n "$TAKEN" ] || return 0
        sleep 0.3
    done
    return 1
}

address() { echo "http://127.0.0.1:$BASE"; }
is_running() { [ -S "$UNANIMUS_STATE/run/supervisor.sock" ] && supervisorctl -c "$UNANIMUS_STATE/run/supervisor.conf" pid >/dev/null 2>&1; }

write_configuration() {
    local s=$UNANIMUS_STATE dir
    for dir in run log tmp php "cache/$RELEASE" secrets mail/in mail/out storage/app storage/framework/views storage/framework/cache storage/logs bytes; do mkdir -p "$s/$dir"; done
    [ -f "$s/secrets/app_key" ] || echo "base64:$(openssl rand -base64 32)" >"$s/secrets/app_key"
    for dir in owner app exchange intake; do [ -f "$s/secrets/$dir" ] || openssl rand -hex 24 >"$s/secrets/$dir"; done
    cat >"$s/php/unanimus.ini" <<INI
memory_limit = 192M
sys_temp_dir = $s/tmp
expose_php = off
upload_max_filesize = 100M
post_max_size = 220M
max_file_uploads = 40
zend.exception_ignore_args = on
opcache.enable = 1
opcache.memory_consumption = 128
opcache.validate_timestamps = $([[ "$PROFILE" = demo || "$PROFILE" = live ]] && [ -z "${UNANIMUS_DEVELOP:-}" ] && echo 0 || echo 1)
opcache.revalidate_freq = 0
INI
    fill_in scripts/templates/env "$s/.env"
    # What an installation sets itself stands in "settings" and goes before what the template says.
    if [ -f "$s/settings" ]; then
        { awk -F= 'NR == FNR { own[$1] = 1; next } !($1 in own)' "$s/settings" "$s/.env" && cat "$s/settings"; } >"$s/.env.new" && mv "$s/.env.new" "$s/.env"
    fi
    fill_in scripts/templates/php-fpm.conf "$s/run/php-fpm-$RELEASE.conf"
    # What belongs to no version: a program that goes on through an upgrade is started by it.
    install -m 755 scripts/alone.sh scripts/archive-log.sh "$s/run/"
    fill_in scripts/templates/supervisor.conf "$s/run/supervisor.conf"
    # Only where they are set: a program without a place to listen would be started again for ever.
    ! grep -q '^UNANIMUS_LMTP=.' "$s/settings" 2>/dev/null || { fill_in scripts/templates/lmtp.conf "$s/run/lmtp.conf" && cat "$s/run/lmtp.conf" >>"$s/run/supervisor.conf"; }
    [ -z "$(backups_place)" ] || { fill_in scripts/templates/backups.conf "$s/run/backups.conf" && cat "$s/run/backups.conf" >>"$s/run/supervisor.conf"; }
    chmod 600 "$s/.env" && chmod 700 "$s/tmp"
    # While an upgrade is under way the web server goes on with what it has, until the new code answers.
    [ -n "${SITE_STAYS:-}" ] || write_site
    [ "$(id -un)" = "$APP_USER" ] || chown -R "$APP_USER:" "$s" 2>/dev/null || true
}

# What the web server is told, and the styles and scripts that pages ask for by their hash: also those of the version before.
write_site() {
    local s=$UNANIMUS_STATE
    cp /etc/nginx/mime.types /etc/nginx/fastcgi_params "$s/run/"
    [ "$PROFILE" != live ] || { mkdir -p "$s/assets/build" && cp -r public/build/. "$s/assets/build/"; }
    fill_in scripts/templates/nginx.conf "$s/run/nginx.conf"
    fill_in scripts/templates/site.conf "$s/run/site.conf"
    [ "$(id -un)" = "$APP_USER" ] || chown -R "$APP_USER:" "$s/run" "$s/assets" 2>/dev/null || true
}

# Templates name what they need as @NAME@.
fill_in() {
    local demo=false debug=false fpm_root= names=127.0.0.1 ours= port
    # It answers under the names of "settings" too, without their ports.
    [ ! -f "$UNANIMUS_STATE/settings" ] || ours=$(sed -n 's/^UNANIMUS_HOSTS=//p; s|^APP_URL=https*://||p' "$UNANIMUS_STATE/settings" | tr ',' '\n' | sed 's|[:/].*||' | sort -u | tr '\n' ' ')
    port=$(setting UNANIMUS_HTTPS_PORT)
    [ "$PROFILE" = demo ] && demo=true
    [ "$APP_USER" = root ] && fpm_root=-R
    sed -e "s|@ROOT@|$ROOT|g" -e "s|@STATE@|$UNANIMUS_STATE|g" -e "s|@HOME@|${UNANIMUS_STATE%/*}|g" -e "s|@SOCKET@|$PGSOCKET|g" -e "s|@ADDRESS@|$(address)|g" \
        -e "s|@WEB@|$BASE|g" -e "s|@EXCHANGE@|$((BASE + 1))|g" -e "s|@POSTROOM@|$((BASE + 2))|g" -e "s|@SMTP@|$((BASE + 3))|g" \
        -e "s|@STAMPS@|$((BASE + 4))|g" -e "s|@PG@|$((BASE + 5))|g" -e "s|@PROFILE@|$PROFILE|g" -e "s|@FPMROOT@|$fpm_root|g" -e "s|@NGINXUSER@|${fpm_root:+user root;}|g" \
        -e "s|@FPMUSER@|$([ "$APP_USER" = root ] && printf 'user = root\\ngroup = root' || true)|g" -e "s|@PGBIN@|$PGBIN|g" -e "s|@PGDATA@|$(pgdata)|g" \
        -e "s|@NAMES@|$names $ours|g" -e "s|@OURS@|$ours|g" -e "s|@TLSPORT@|$([ "${port:-443}" = 443 ] || echo ":$port")|g" -e "s|@KEY@|$(cat "$UNANIMUS_STATE/secrets/app_key")|g" -e "s|@KEYSBEFORE@|$(paste -sd, "$UNANIMUS_STATE/secrets/app_keys_before" 2>/dev/null || true)|g" \
        -e "s|@APPWORD@|$(cat "$UNANIMUS_STATE/secrets/app")|g" -e "s|@EXCHANGEWORD@|$(cat "$UNANIMUS_STATE/secrets/exchange")|g" \
        -e "s|@INTAKEWORD@|$(cat "$UNANIMUS_STATE/secrets/intake")|g" \
        -e "s|@HTTP@|$(setting UNANIMUS_HTTP_PORT)|g" -e "s|@HTTPS@|$(setting UNANIMUS_HTTPS_PORT)|g" -e "s|@NAME@|$(setting APP_URL | sed 's|^https*://||')|g" -e "s|@RELEASE@|$RELEASE|g" -e "s|@CACHES@|$(caches)|g" -e "s|@WEBWORKERS@|$(web_workers)|g" -e "s|@APPUSER@|$APP_USER|g" -e "s|@APPGROUP@|$(id -gn "$APP_USER")|g" "$1" | only_of_profile >"$2"
}

# What the programs of a supervisor are told of it, for it outlives versions.
caches() {
    local one
    for one in CONFIG ROUTES EVENTS SERVICES PACKAGES; do printf 'APP_%s_CACHE="%s",' "$one" "$UNANIMUS_STATE/cache/$RELEASE/${one,,}.php"; done | sed 's/,$//'
}

# Between "#> live" or "#> trial" and "#<" stands what is for an installation, or for everything else.
only_of_profile() { awk -v of="$([ "$PROFILE" = live ] && echo live || echo trial)" '$1 == "#>" { skip = $2 != of; next } $1 == "#<" { skip = 0; next } !skip'; }

# Six answer a trial; an installation has as many as its memory carries beside the database, at about 100 MB each.
web_workers() {
    [ "$PROFILE" = live ] || { echo 6; return; }
    awk '/^MemTotal:/ { n = int($2 / 1024 / 3 / 100); print (n < 6 ? 6 : n > 60 ? 60 : n) }' /proc/meminfo
}

start_database() {
    local data
    data=$(pgdata)
    [ -z "$(backups_place)" ] || make_place "$(backups_place)"
    mkdir -p "$PGSOCKET" && chmod 711 "$PGSOCKET"
    [ "$(id -un)" = "$PG_USER" ] || chown "$PG_USER:" "$PGSOCKET"
    if [ ! -f "$data/PG_VERSION" ]; then
        say "making the database cluster"
        mkdir -p "$data" && chmod 700 "$data"
        [ "$(id -un)" = "$PG_USER" ] || chown -R "$PG_USER:" "$data"
        cp "$UNANIMUS_STATE/secrets/owner" "$PGSOCKET/word"
        chown "$PG_USER:" "$PGSOCKET/word" && chmod 600 "$PGSOCKET/word"
        as_pg "$PGBIN/initdb" -D "$data" -U unanimus_owner --pwfile="$PGSOCKET/word" --auth=scram-sha-256 --encoding=UTF8 --locale=C.UTF-8 >"$UNANIMUS_STATE/log/initdb.log" 2>&1 || { cat "$UNANIMUS_STATE/log/initdb.log"; fail "the database cluster could not be made"; }
        rm -f "$PGSOCKET/word"
        { echo "listen_addresses = '127.0.0.1'"; echo "port = $((BASE + 5))"; echo "shared_buffers = 256MB"; echo "jit = off"; } >"$PGSOCKET/extra"
        [ "$PROFILE" != live ] || memory_of_the_database >>"$PGSOCKET/extra"
        [[ "$PROFILE" = demo || "$PROFILE" = live || "$PROFILE" = proof || "$PROFILE" = data ]] || { echo "fsync = off"; echo "synchronous_commit = off"; echo "full_page_writes = off"; } >>"$PGSOCKET/extra"
        cat "$PGSOCKET/extra" >>"$data/postgresql.conf" && rm -f "$PGSOCKET/extra"
    fi
    ! database_answers || return 0
    # A statement that failed carries names and addresses: the log has what went wrong, not with what.
    as_pg "$PGBIN/pg_ctl" -D "$data" -w -s -l "$(pglog)" -o "-p $((BASE + 5)) -k $PGSOCKET -c log_min_error_statement=panic -c log_error_verbosity=terse $(archive_options)" start && return 0
    # Another program took its port after it was asked for. Where no links are out yet the copy goes elsewhere.
    if [ ! -f "$UNANIMUS_STATE/seeded" ] && ! port_is_free $((BASE + 5)) && [ "${MOVED:=0}" -lt 3 ]; then
        MOVED=$((MOVED + 1))
        choose_ports
        write_configuration
        start_database
        return
    fi
    tail -5 "$(pglog)"
    fail "the database did not start"
}

# A quarter of the machine's memory for its own pages, as PostgreSQL's manual advises (20.4.1), no more than 8 GB.
memory_of_the_database() {
    local mb
    mb=$(awk '/^MemTotal:/ { print int($2 / 1024) }' /proc/meminfo)
    echo "shared_buffers = $((mb / 4 < 8192 ? mb / 4 : 8192))MB"
    echo "effective_cache_size = $((mb * 6 / 10))MB"
    echo "maintenance_work_mem = $((mb / 16 < 1024 ? mb / 16 : 1024))MB"
    echo "work_mem = 16MB"
    # Two versions serve for a moment in an upgrade, each with up to 60 web workers that keep a connection; workers and commands besides.
    echo "max_connections = 200"
    echo "wal_compression = on"
    echo "max_wal_size = 2GB"
}

# The number in its pid file may be another program's by now: it is asked at its port.
database_answers() {
    local port
    port=$(sed -n 4p "$(pgdata)/postmaster.pid" 2>/dev/null) && [ -n "$port" ] && "$PGBIN/pg_isready" -q -h 127.0.0.1 -p "$port"
}

stop_database() { [ -f "$(pgdata)/PG_VERSION" ] && as_pg "$PGBIN/pg_ctl" -D "$(pgdata)" -m fast -s stop >/dev/null 2>&1 || true; }

psql_owner() { PGOPTIONS="-c client_min_messages=warning" PGPASSWORD=$(cat "$UNANIMUS_STATE/secrets/owner") psql -h 127.0.0.1 -p $((BASE + 5)) -U unanimus_owner -q -v ON_ERROR_STOP=1 "$@"; }

require_database() { database_answers || fail "the $PROFILE is not running: ./unanimus $PROFILE or ./unanimus start first"; }

make_role_and_database() {
    local word
    word=$(cat "$UNANIMUS_STATE/secrets/app")
    psql_owner -d postgres -v word="$word" <<'SQL'
SELECT 'CREATE ROLE unanimus_app LOGIN NOSUPERUSER NOCREATEDB NOCREATEROLE NOBYPASSRLS' WHERE NOT EXISTS (SELECT FROM pg_roles WHERE rolname = 'unanimus_app') \gexec
ALTER ROLE unanimus_app PASSWORD :'word';
SELECT 'CREATE DATABASE unanimus' WHERE NOT EXISTS (SELECT FROM pg_database WHERE datname = 'unanimus') \gexec
SQL
}

prepare_database() {
    make_role_and_database
    migrate_by_owner database/migrations && by_itself_contracted || { tail -30 "$UNANIMUS_STATE/log/migrate.log"; fail "the database could not be brought up to date"; }
}

# The owner's word is told to this one command; the running application never knows it.
migrate_by_owner() {
    as_app env APP_CONFIG_CACHE="$UNANIMUS_STATE/cache/none.php" DB_OWNER_PASSWORD="$(cat "$UNANIMUS_STATE/secrets/owner")" php artisan migrate --force --database=owner --path="$1" >"$UNANIMUS_STATE/log/migrate.log" 2>&1
}

# What older code needs is taken away at once where there is none to go back to.
by_itself_contracted() { { [ "$PROFILE" = live ] && [ -f "$UNANIMUS_STATE/seeded" ]; } || migrate_by_owner database/contractions; }

start_services() {
    # What a crash left half-done there is of no use to anyone, and may be pages of papers.
    find "$UNANIMUS_STATE/tmp" -mindepth 1 -delete
    rm -f "$UNANIMUS_STATE/run/tables-change" "$UNANIMUS_STATE/run/requests-wait"
    as_app touch "$UNANIMUS_STATE/run/began"
    echo "$ROOT" >"$UNANIMUS_STATE/run/code"
    as_server supervisord -c "$UNANIMUS_STATE/run/supervisor.conf"
    wait_for_answer || fail "the application did not answer at $(address)/up; its logs are in $UNANIMUS_STATE/log"
}

# Waited for until it answers well, as long as a busy machine needs; what it is waited for is the state, not the clock.
wait_for_answer() {
    local try
    for try in $(seq 1 600); do
        answers && return 0
        sleep 0.1
    done
    return 1
}

# Under its own name, as nothing is answered under another. Work that waits for an outside service is told there too; it is no reason not to start.
answers() {
    local host
    host=$(setting APP_URL | sed 's|^https*://||; s|/.*||')
    curl -s -o /dev/null -w '%{http_code}' ${host:+-H "Host: $host"} "$(address)/up?start=1" 2>/dev/null | grep -q '^200$'
}

stop_services() {
    if is_running; then
        supervisorctl -c "$UNANIMUS_STATE/run/supervisor.conf" shutdown >/dev/null 2>&1 || true
        local try
        for try in $(seq 1 400); do [ -S "$UNANIMUS_STATE/run/supervisor.sock" ] || break; sleep 0.1; done
    fi
}

start_stack() {
    [ ! -f "$UNANIMUS_STATE/unchecked" ] || fail "what was restored here was not checked yet: ./unanimus restore --check"
    choose_ports
    write_configuration
    start_database
    prepare_database
    as_app php artisan authority:prepare >>"$UNANIMUS_STATE/log/prepare.log" 2>&1 || { tail -5 "$UNANIMUS_STATE/log/prepare.log"; fail "the local certificates could not be made"; }
    [ -z "${UNANIMUS_DEVELOP:-}" ] && as_app php artisan optimize >>"$UNANIMUS_STATE/log/prepare.log" 2>&1 || as_app php artisan optimize:clear >/dev/null 2>&1 || true
    if is_running && code_is_newer; then
        say "the code has changed since: starting anew"
        stop_services
    fi
    if is_running && ! answers; then
        # A program that was killed is on its way back, or the set is broken: it is waited for, then made anew.
        say "something does not answer: waiting for it"
        wait_for_answer || { say "starting anew"; stop_services; }
    fi
    is_running || { clear_orphans; start_services; }
    answers || fail "the application does not answer at $(address); its logs are in $UNANIMUS_STATE/log"
}

# Programs of ours whose master was killed hold its socket and port: they are known by the state folder in their command.
clear_orphans() {
    local pid name
    for pid in $(pgrep -f -- "$UNANIMUS_STATE/run/(nginx|php-fpm-[0-9a-f]+|supervisor).conf" 2>/dev/null || true); do
        [ "$pid" = $$ ] || kill -TERM "$pid" 2>/dev/null || true
    done
    # Workers whose supervisor was killed would go on beside the new ones: they are known by the state folder they were given.
    for pid in $(pgrep -f 'artisan (queue:work|schedule:work)|stand-ins/' 2>/dev/null || true); do
        if [ "$(ps -o ppid= -p "$pid" | tr -d ' ')" = 1 ] && tr '\0' '\n' <"/proc/$pid/environ" 2>/dev/null | grep -qxF "UNANIMUS_STATE=$UNANIMUS_STATE"; then kill -TERM "$pid" 2>/dev/null || true; fi
    done
    # The children of a killed master are known by its process group alone.
    for name in nginx php-fpm; do
        for pid in $(cat "$UNANIMUS_STATE/run/$name"*.groups 2>/dev/null); do pkill -KILL -g "$pid" -f "$name" 2>/dev/null || true; done
    done
    rm -f "$UNANIMUS_STATE"/run/fpm-*.sock "$UNANIMUS_STATE/run/supervisor.sock" "$UNANIMUS_STATE"/run/*.groups
}

# A running copy keeps its code in memory: one that was changed is taken up by starting anew.
code_is_newer() {
    [ ! -f "$UNANIMUS_STATE/run/began" ] || [ -n "$(find app bootstrap config core library packages public/build/.built resources/views routes stand-ins vendor/.installed -newer "$UNANIMUS_STATE/run/began" -type f -print -quit)" ]
}
