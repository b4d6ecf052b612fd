cmd_help() {
    cat <<'TEXT'
Unanimus

  ./unanimus demo [--fresh]   set up whatever is missing, start everything, print the address and the sign-ins
  ./unanimus start | stop     start or stop the demo that is set up
  ./unanimus status           what is running, and where
  ./unanimus test [...]       style, static analysis, all tests; more words go to Pest
  ./unanimus test --mutate [AREA]   what changed lines of core the tests would not notice
  ./unanimus bench            costs as ratios to their floors
  ./unanimus bench load [--people=50] [--pause=5] [--minutes=10]   many people at once on the running demo
  ./unanimus bench seed --files 20000   a large brokerage, to measure what growing costs
  ./unanimus prove faults [--minutes 5]   programs killed at random while people work, and what is lost, doubled, stuck
  ./unanimus fleet [stop | status | promote | drain NODE | walk | prove]   several machines, tried on this one
  ./unanimus backup FOLDER    the database, the papers and the keys, read back, into a new folder
  ./unanimus backup           a whole copy into the place of backups (UNANIMUS_BACKUPS), now
  ./unanimus restore PLACE --to "2026-11-27 14:30"   a copy as it was at that moment, out of that place
  ./unanimus rehearse         makes such a copy, reads it through, and lets it go again
  ./unanimus restore FOLDER   a backup into a fresh folder (UNANIMUS_HOME); nothing runs until it was checked
  ./unanimus install [--answers FILE]   an installation on this machine; --questions lists what is asked
  ./unanimus upgrade          takes up this folder's version while people work; --finish ends the way back
  ./unanimus rotate app-key | seal-key [PEM] | database   a new secret for the old one, while people work
  ./unanimus certificate CHAIN KEY      another certificate for it, without letting go of anyone
  ./unanimus artisan ...      the application's own commands, on the demo
  ./unanimus build            the library's pages anew from their texts (needs Chromium)
  ./unanimus check            whether the running demo is well, in words
  ./unanimus audit            known weaknesses of the packages that are installed
  ./unanimus doctor           what is on this machine and what is missing
TEXT
}

cmd_demo() {
    set_up
    use_state demo
    if [ "${1:-}" = --fresh ]; then
        say "taking the old demo away"
        stop_services
        stop_database
        rm -rf "$(pgdata)" "$UNANIMUS_STATE"
        use_state demo
    fi
    say "starting"
    start_stack
    if [ ! -f "$UNANIMUS_STATE/seeded" ]; then
        say "laying out the demo's files"
        seed_story
        # So many rows at once: the planner is told of them before the first page is asked for.
        psql_owner -d unanimus -c 'ANALYZE' >/dev/null
        as_app touch "$UNANIMUS_STATE/seeded"
    fi
    echo
    echo "  Unanimus is at       $(address)"
    echo "  The post room is at  http://127.0.0.1:$((BASE + 2))   (every letter that went out)"
    echo
    as_app php artisan demo:sign-ins
    echo
    echo "  ./unanimus stop  ends it; the data stays for the next ./unanimus demo"
}

# What the demo tells happened over the last weeks. Only while it is laid out does the database take its days for the time.
seed_story() {
    local failed=
    psql_owner -d unanimus -c "CREATE OR REPLACE FUNCTION the_moment() RETURNS timestamptz LANGUAGE sql VOLATILE AS \$\$
        SELECT clock_timestamp() + coalesce(nullif(current_setting('unanimus.story', true), ''), '0')::interval \$\$"
    as_app php artisan demo:seed >"$UNANIMUS_STATE/log/seed.log" 2>&1 || failed=yes
    psql_owner -d unanimus -c 'CREATE OR REPLACE FUNCTION the_moment() RETURNS timestamptz LANGUAGE sql VOLATILE AS $$ SELECT clock_timestamp() $$'
    [ -z "$failed" ] || { tail -20 "$UNANIMUS_STATE/log/seed.log"; fail "the demo data could not be made"; }
}

cmd_start() {
    use_state "$(own_profile)"
    [ -f "$UNANIMUS_STATE/seeded" ] || fail "there is nothing to start yet: ./unanimus demo sets up the demo, ./unanimus install an installation"
    start_stack
    echo "Unanimus is at $(address)"
}

cmd_stop() {
    local profile
    for profile in ${1:-$(own_profile) test}; do
        [ -d "${UNANIMUS_HOME:-$ROOT/var}/$profile" ] || continue
        use_state "$profile"
        # Asked for by name it stops; by the way, a run of the tests is not cut off.
        [ -n "${1:-}" ] || ! tests_run || { say "the tests are running here and go on; ./unanimus stop test ends them"; continue; }
        stop_services
        stop_database
    done
    echo "stopped; all data is kept under ${UNANIMUS_HOME:-var}"
}

# The number alone may long be another program's.
tests_run() { [ -f "$UNANIMUS_STATE/testing" ] && grep -qz "^test$" "/proc/$(cat "$UNANIMUS_STATE/testing")/cmdline" 2>/dev/null; }

cmd_status() {
    local profile
    for profile in "$(own_profile)" test; do
        [ -f "${UNANIMUS_HOME:-$ROOT/var}/$profile/.env" ] || { echo "$profile: not set up"; continue; }
        use_state "$profile"
        echo "$profile: $(address)  logs: $UNANIMUS_STATE/log"
        database_answers && echo "  database   running, port $((BASE + 5))" || echo "  database   stopped"
        if is_running; then supervisorctl -c "$UNANIMUS_STATE/run/supervisor.conf" status | sed 's/^/  /'; else echo "  services   stopped"; fi
    done
}

cmd_test() {
    set_up
    install_test_partners
    use_state test
    tests_run && fail "the tests are running here already"
    choose_ports
    write_configuration
    echo $$ >"$UNANIMUS_STATE/testing"
    start_database
    fresh_test_databases
    as_app php artisan authority:prepare >/dev/null
    as_app php artisan optimize:clear >/dev/null 2>&1 || true
    # Pest keeps notes of its own beside its plugin, the analysis beside the logs.
    mkdir -p vendor/pestphp/pest-plugin-mutate/.temp/mutations vendor/pestphp/pest/.temp "$UNANIMUS_STATE/phpstan"
    chmod -R a+rwX vendor/pestphp/pest-plugin-mutate/.temp vendor/pestphp/pest/.temp "$UNANIMUS_STATE/phpstan"
    if [ "${1:-}" = --mutate ]; then
        # One area at a time says soonest where a test is missing.
        [ -z "${2:-}" ] || [ -d "core/$2" ] || fail "core has no area $2; there are: $(ls core | paste -sd' ')"
        install_coverage
        as_app php -d extension=pcov.so -d pcov.enabled=1 -d pcov.directory="$ROOT/core" vendor/bin/pest --mutate --covered-only --testsuite=core --everything --path="core${2:+/$2}"
        return
    fi
    start_services
    rm -f "$UNANIMUS_STATE"/junit*.xml "$UNANIMUS_STATE/again.xml"
    local broken=$UNANIMUS_STATE/not-green
    : >"$broken"
    if [ $# -gt 0 ]; then
        run_pest junit.xml "$@" || echo tests >>"$broken"
    else
        say "style, analysis and all tests that need no browser, beside those in the browser; what they say is shown after them"
        test_beside_the_browser "$broken" >"$UNANIMUS_STATE/log/beside.log" 2>&1 &
        local beside=$!
        local fell=
        run_pest junit-browser.xml --testsuite=browser || fell=1
        wait "$beside" || echo what-runs-beside >>"$broken"
        cat "$UNANIMUS_STATE/log/beside.log"
        [ -z "$fell" ] || once_more "$broken"
        say "known weaknesses of packages"
        (cmd_audit) || echo audit >>"$broken"
        say "faults at random, beside it"
        (cmd_prove faults --minutes 1) || echo faults >>"$broken"
        say "machines of a fleet killed, beside it"
        (cmd_fleet prove --minutes 1) || echo fleet >>"$broken"
        use_state test
        say "an installation beside it, out of a file"
        install_round_trip "$broken"
        say "a backup, restored beside it"
        backup_round_trip "$broken"
        say "a moment out of backups that are taken by themselves"
        moment_round_trip "$broken"
    fi
    stop_services
    stop_database
    php scripts/closing-line.php --again="$UNANIMUS_STATE/again.xml" "$UNANIMUS_STATE"/junit*.xml || echo closing-line >>"$broken"
    [ ! -s "$broken" ] || { echo "not green: $(paste -sd' ' "$broken") (told above)"; return 1; }
}

# What fell in the browser while everything else ran beside it, by itself on data laid out anew. What holds then is named at the end.
once_more() {
    local files
    mapfile -t files < <(php scripts/closing-line.php --files "$UNANIMUS_STATE/junit-browser.xml")
    [ -n "${files[0]:-}" ] || { echo tests-in-the-browser >>"$1"; return 0; }
    # So many do not fall because the machine is busy, and each waits its half minute again.
    [ ${#files[@]} -le 6 ] || { say "${#files[@]} files fell in the browser: they are not run again"; echo tests-in-the-browser >>"$1"; return 0; }
    say "once more by themselves: ${files[*]}"
    stop_services
    fresh_test_databases
    as_app php artisan authority:prepare >/dev/null
    start_services
    run_pest again.xml "${files[@]}" || echo tests-in-the-browser >>"$1"
}

cmd_artisan() {
    case "${1:-}" in
        # Computations on files of the one who asks: no database, and read with their own eyes.
        dates:*|forms:*|marks:*|mail:read|stack:*|commission:*|seal:verify) set_up >&2; use_state "$(own_profile)"; [ -f "$UNANIMUS_STATE/.env" ] || write_configuration; php artisan "$@" ;;
        mail:receive) receive_mail "$@" ;;
        # Writes histories as they were, which the application itself never may.
        brokerage:import|brokerage:limits|brokerage:address) use_state "$(own_profile)"; require_database; as_app env APP_CONFIG_CACHE="$UNANIMUS_STATE/cache/none.php" DB_OWNER_PASSWORD="$(cat "$UNANIMUS_STATE/secrets/owner")" php artisan "$@" ;;
        *) use_state "$(own_profile)"; require_database; as_app php artisan "$@" ;;
    esac
}

# Whatever goes wrong, the mail server keeps the message and comes again (75, sysexits.h); only what is no message goes back (65).
receive_mail() {
    local code=0
    (use_state "$(own_profile)"; require_database; as_app php artisan "$@") || code=$?
    case $code in 0|65) exit "$code" ;; *) exit 75 ;; esac
}

cmd_bench() {
    set_up
    if [ "${1:-}" = seed ]; then
        bench_seed "$@"
        return
    fi
    use_state "$(own_profile)"
    require_database
    if [ "${1:-}" = load ]; then
        shift
        as_app php -d memory_limit=512M artisan bench:load "$@"
        return
    fi
    as_app php artisan bench "$@"
    bench_growth
}

# A brokerage of its own for each size, beside the demo: ./unanimus bench seed --files 20000
bench_seed() {
    local files=20000
    [ "${2:-}" = --files ] && files=${3:-}
    case $files in '' | *[!0-9]*) fail "how many files? ./unanimus bench seed --files 20000" ;; esac
    use_state "bench-$files"
    start_stack
    say "laying out the demo's files"
    [ -f "$UNANIMUS_STATE/seeded" ] || as_app php artisan demo:seed >"$UNANIMUS_STATE/log/seed.log" 2>&1 || { tail -20 "$UNANIMUS_STATE/log/seed.log"; fail "the demo data could not be made"; }
    as_app touch "$UNANIMUS_STATE/seeded"
    say "growing to $files files"
    as_app env APP_CONFIG_CACHE="$UNANIMUS_STATE/cache/none.php" DB_OWNER_PASSWORD="$(cat "$UNANIMUS_STATE/secrets/owner")" php -d memory_limit=1G artisan demo:grow "$files"
    stop_services
    stop_database
    say "kept; ./unanimus bench now measures it too"
}

# The same pages at each seeded size, the largest against the smallest.
bench_growth() {
    local state sizes=()
    while read -r state; do sizes+=("$state"); done < <(ls -d "${UNANIMUS_HOME:-$ROOT/var}"/bench-*/seeded 2>/dev/null | sed 's|.*/bench-\([0-9]*\)/seeded|\1|' | sort -n)
    [ ${#sizes[@]} -ge 2 ] || { say "growth is measured once two sizes are there: ./unanimus bench seed --files 200, then --files 20000"; return 0; }
    for state in "${sizes[0]}" "${sizes[-1]}"; do
        use_state "bench-$state"
        start_stack
        as_app php artisan bench:pages >"$UNANIMUS_STATE/pages.json"
        stop_services
        stop_database
    done
    php artisan bench:compare "${UNANIMUS_HOME:-$ROOT/var}/bench-${sizes[0]}/pages.json" "$UNANIMUS_STATE/pages.json"
}

# Known weaknesses of what is installed. Without the network nobody can be asked, and that is said.
cmd_audit() {
    set_up
    local found=
    told_weaknesses "PHP packages" advisories "$(COMPOSER_ALLOW_SUPERUSER=1 timeout 120 composer audit --format=json 2>/dev/null || true)" || found=1
    told_weaknesses "front-end packages" vulnerabilities "$(timeout 120 npm audit --json 2>/dev/null || true)" || found=1
    [ -z "$found" ] || fail "what is installed has known weaknesses (told above)"
}

# What a list answered, as JSON that names packages under a key; anything else is no answer.
told_weaknesses() {
    local code=0
    php -r '$all = json_decode($argv[2], true)[$argv[1]] ?? exit(3);
        foreach (array_keys($all) as $name) { echo "  {$name}: ", json_encode($all[$name], JSON_UNESCAPED_SLASHES), "\n"; }
        exit($all === [] ? 0 : 1);' "$2" "$3" || code=$?
    case $code in
        0) say "$1: nothing known" ;;
        1) return 1 ;;
        *) say "$1: nobody could be asked" ;;
    esac
}

cmd_build() {
    set_up
    use_state "$(own_profile)"
    write_configuration
    php artisan library:build "$@"
}

cmd_doctor() {
    local missing entry
    missing=$(missing_packages | sort -u)
    [ -z "$missing" ] && echo "every program, extension and font is here" || { echo "missing packages:"; echo "$missing" | sed 's/^/  /'; }
    for entry in vendor/.installed node_modules/.installed public/build/.built; do
        [ -f "$entry" ] && echo "$(dirname "$entry"): there" || echo "$(dirname "$entry"): not yet (./unanimus demo makes it)"
    done
    df -h "$ROOT" | awk 'NR==2 {print "disk: " $4 " free"}'
    cmd_status
}
