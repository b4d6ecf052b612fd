# ./unanimus prove faults: a copy of its own, in which programs are killed and services taken away at random while people fill in, bring
# papers and sign; afterwards what they were told is held against what is there.

cmd_prove() {
    local folder good=1
    [ "${1:-}" = faults ] || fail "prove what? ./unanimus prove faults [--minutes 5] [--seed 17]"
    shift
    asked_of_proof "./unanimus prove faults" 5 "$@"
    set_up
    use_state proof
    stop_services
    stop_database
    rm -rf "$(pgdata)" "$UNANIMUS_STATE"
    use_state proof
    start_stack
    folder=$UNANIMUS_STATE/noted
    as_app mkdir -p "$folder"
    lay_proof "$folder" $((MINUTES * 3 + 2)) $((MINUTES * 12 + 8))
    # Bytes that were brought lately are let be.
    psql_owner -d unanimus -c "UPDATE blobs SET kept_at = now() - interval '90 days'"
    say "$MINUTES minutes of faults (--seed $SEED brings the same ones in the same order)"
    people_work "$folder"
    purge_meanwhile & PEOPLE+=($!)
    try_faults $(($(date +%s) + MINUTES * 60))
    proof_holds "$folder" || good=
    stop_services
    stop_database
    [ -n "$good" ] || fail "it does not hold (told above); the copy is in $UNANIMUS_STATE"
    rm -rf "$(pgdata)" "$UNANIMUS_STATE"
    say "nothing lost, nothing doubled, nothing stuck"
}

# How long, and which faults: MINUTES and SEED.
asked_of_proof() {
    local usage=$1
    MINUTES=$2
    SEED=$RANDOM
    shift 2
    while [ $# -gt 0 ]; do
        case $1 in
            --minutes) MINUTES=${2:-} ;;
            --seed) SEED=${2:-} ;;
            *) fail "$usage [--minutes 5] [--seed 17]" ;;
        esac
        shift 2 || fail "$1 needs a number"
    done
    [[ "$MINUTES" =~ ^[0-9]{1,3}$ && "$SEED" =~ ^[0-9]{1,9}$ && "$MINUTES" -gt 0 ]] || fail "minutes and seed are whole numbers"
}

people_work() {
    local number=0 what
    PEOPLE=()
    for what in fill fill bring sign move; do
        number=$((number + 1))
        as_app php artisan prove $what "$1" --number=$number --seconds=$((MINUTES * 60)) & PEOPLE+=($!)
    done
}

# Old files are purged, and whoever purges is killed again and again, until the last of it may end.
purge_meanwhile() {
    local until=$(($(date +%s) + MINUTES * 60 - 15)) try
    while [ "$(date +%s)" -lt "$until" ]; do
        as_app timeout -s KILL "$((RANDOM % 2)).$((RANDOM % 7 + 3))" php artisan retention:sweep >/dev/null 2>&1 || true
        sleep 2
    done
    for try in $(seq 1 40); do ! as_app php artisan retention:sweep >/dev/null 2>&1 || return 0; sleep 2; done
    return 1
}

# What people were told is held against what is there, once all of it has come to its end.
proof_holds() {
    local pid held=0
    for pid in "${PEOPLE[@]}"; do wait "$pid" || held=1; done
    say "what was under way comes to its end"
    as_app php artisan prove count "$1" || held=1
    as_app php artisan history:verify || held=1
    as_app php artisan kept:verify || held=1
    return $held
}

lay_proof() {
    as_app php artisan brokerage:open 'Fernhollow Realty' --office=Fernhollow --administrator='Odile Marchetti' --email=odile@fernhollow.example >/dev/null
    psql_owner -d unanimus -c "UPDATE users SET invited_at = NULL, password = '$(php -r 'echo password_hash("heron-weir-lantern", PASSWORD_BCRYPT);')';
        INSERT INTO office_roles (brokerage_id, office_id, user_id, role) SELECT brokerage_id, o.id, u.id, r FROM users u JOIN offices o USING (brokerage_id), unnest(ARRAY['agent', 'coordinator', 'broker']) r"
    as_app php artisan prove prepare "$1" --rounds="$2" --old="${3:-0}" || fail "there is nothing to work on"
}

# One after the other, each a few seconds after the one before; what was taken away comes back.
try_faults() {
    local until=$1 left=() i kind kinds=(a-web-worker the-web-workers the-web-server the-sealing-worker the-letters-worker the-reading-worker the-moving-worker the-worker the-database the-time-stamps the-mail-server the-store)
    RANDOM=$SEED
    while [ "$(date +%s)" -lt "$until" ]; do
        sleep $((RANDOM % 4 + 1))
        # Each once before any comes again.
        [ ${#left[@]} -gt 0 ] || left=("${kinds[@]}")
        i=$((RANDOM % ${#left[@]}))
        kind=${left[$i]}
        left=("${left[@]:0:$i}" "${left[@]:$((i + 1))}")
        printf '%s ' "$kind"
        "fault_of_${kind//-/_}" || true
    done
    echo
}

killed() { local pid; pid=$(supervise pid "$1" 2>/dev/null || true); [[ "$pid" =~ ^[1-9][0-9]*$ ]] && kill -KILL "$pid"; }
fault_of_a_web_worker() { local all; mapfile -t all < <(pgrep -P "$(supervise pid "php-fpm-$RELEASE")"); [ ${#all[@]} -eq 0 ] || kill -KILL "${all[$((RANDOM % ${#all[@]}))]}"; }
fault_of_the_web_workers() { killed "php-fpm-$RELEASE"; }
fault_of_the_web_server() { killed nginx; }
fault_of_the_sealing_worker() { killed sealing; }
fault_of_the_letters_worker() { killed letters; }
fault_of_the_reading_worker() { killed reading; }
fault_of_the_moving_worker() { killed moving; }
fault_of_the_worker() { killed worker; }
fault_of_the_time_stamps() { touch "$UNANIMUS_STATE/run/stamps-away"; sleep 4; rm -f "$UNANIMUS_STATE/run/stamps-away"; }
fault_of_the_mail_server() { supervise stop post-room >/dev/null; sleep 4; supervise start post-room >/dev/null; }
fault_of_the_store() { chmod 000 "$UNANIMUS_STATE/bytes"; sleep 2; chmod 755 "$UNANIMUS_STATE/bytes"; }

# What a killed database leaves behind in memory goes with its last child; until then it does not start.
fault_of_the_database() {
    local try
    kill -KILL "$(head -1 "$(pgdata)/postmaster.pid")" || return 0
    sleep 1
    for try in $(seq 1 60); do
        ! as_pg "$PGBIN/pg_ctl" -D "$(pgdata)" -w -s -l "$(pglog)" -o "-p $((BASE + 5)) -k $PGSOCKET -c log_min_error_statement=panic -c log_error_verbosity=terse" start >/dev/null 2>&1 || return 0
        sleep 0.5
    done
    fail "the database does not come back"
}
