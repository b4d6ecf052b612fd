# A fresh test database, with the scenario for the browser tests laid out after the others have run on the empty one.
fresh_test_database() {
    stop_services
    psql_owner -d postgres -c 'DROP DATABASE IF EXISTS unanimus WITH (FORCE)'
    rm -f "$UNANIMUS_STATE"/mail/out/*.eml
    prepare_database
}
