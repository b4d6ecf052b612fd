# Two fresh databases: one that the running copy and the tests in the browser share, with the scenario in it, and an
# empty one for the tests that take back all they do, so that both may run at once.
fresh_test_databases() {
    stop_services
    local name
    for name in unanimus unanimus_tests; do psql_owner -d postgres -c "DROP DATABASE IF EXISTS $name WITH (FORCE)"; done
    # The stamps of a database that is gone would tell of files that are missing.
    rm -f "$UNANIMUS_STATE"/mail/out/*.eml "$UNANIMUS_STATE"/anchors/*
    prepare_database
    psql_owner -d postgres -c 'CREATE DATABASE unanimus_tests TEMPLATE unanimus'
}

run_pest() {
    local report=$1
    shift
    as_app env UNANIMUS_TEST_URL="$(address)" php vendor/bin/pest --colors=never --cache-directory="$UNANIMUS_STATE/phpunit" --log-junit="$UNANIMUS_STATE/$report" "$@"
}

# Style, static analysis and the tests that need no browser. What was not green stands in the file named, a word each.
test_beside_the_browser() {
    local broken=$1
    say "code style"
    vendor/bin/pint --test || echo code-style >>"$broken"
    say "static analysis"
    vendor/bin/phpstan analyse -c phpstan-core.neon --no-progress --memory-limit=1G || echo analysis-of-core >>"$broken"
    vendor/bin/phpstan analyse -c phpstan-app.neon --no-progress --memory-limit=2G || echo analysis-of-app >>"$broken"
    say "tests: scripts of the pages"
    node --test --test-reporter=dot tests/Script/ || echo tests-of-scripts >>"$broken"
    # Two processes, so that neither grows large; where the machine has room for it, at once.
    say "tests: core, architecture"
    run_pest junit.xml --testsuite=core,architecture >"$UNANIMUS_STATE/log/core.log" 2>&1 || echo tests-of-core >>"$broken" &
    local core=$!
    [ "$(nproc)" -ge 4 ] || wait "$core"
    say "tests: application"
    run_pest junit-app.xml --testsuite=app || echo tests-of-app >>"$broken"
    wait "$core" || true
    cat "$UNANIMUS_STATE/log/core.log"
}
