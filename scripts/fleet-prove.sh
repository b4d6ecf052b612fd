# ./unanimus fleet prove: machines of the fleet are killed while people work.

# People fill in, bring papers and sign at the front while machines are killed; afterwards what they were told is held against what is there.
fleet_prove() {
    local folder good=1
    asked_of_proof "./unanimus fleet prove" 3 "$@"
    fleet_take_away
    fleet_start
    use_state data
    folder=$UNANIMUS_STATE/noted
    as_app mkdir -p "$folder"
    lay_proof "$folder" $((MINUTES * 3 + 2))
    say "$MINUTES minutes in which machines are killed (--seed $SEED brings the same ones in the same order)"
    use_state work-1
    people_work "$folder"
    fleet_faults $(($(date +%s) + MINUTES * 60))
    use_state work-2
    proof_holds "$folder" || good=
    fleet_stop >/dev/null
    [ -n "$good" ] || fail "it does not hold (told above); the fleet is in $FLEET_HOME"
    fleet_take_away
    say "nothing lost, nothing doubled, nothing stuck"
}

fleet_take_away() {
    fleet_stop >/dev/null
    use_state data
    rm -rf "$(pgdata)" "$(pgdata)-2" "$FLEET_HOME"
}

# The primary once, in the middle, as its place can be taken but once; the others again and again.
fleet_faults() {
    local until=$1 middle left=() i kind kinds=(a-web-node a-work-node the-pooler the-store the-replica the-front)
    middle=$(($(date +%s) + (until - $(date +%s)) / 2))
    RANDOM=$SEED
    while [ "$(date +%s)" -lt "$until" ]; do
        sleep $((RANDOM % 4 + 1))
        if [ -n "$middle" ] && [ "$(date +%s)" -ge "$middle" ]; then
            kind=the-primary
            middle=
            kinds=(a-web-node a-work-node the-pooler the-store the-front)
            left=()
        else
            [ ${#left[@]} -gt 0 ] || left=("${kinds[@]}")
            i=$((RANDOM % ${#left[@]}))
            kind=${left[$i]}
            left=("${left[@]:0:$i}" "${left[@]:$((i + 1))}")
        fi
        printf '%s ' "$kind"
        "kill_${kind//-/_}" || true
    done
    echo
}

# All of a machine at once, as when its power fails; it comes back by itself some seconds later.
kill_node() {
    use_state "$1"
    pkill -KILL -f -- "$UNANIMUS_STATE/run/" || true
    local pid
    for pid in $(pgrep -f 'artisan (queue:work|schedule:work)'; pgrep -x php-fpm8.2; pgrep -f 'php-fpm: pool'); do
        ! { tr '\0' '\n' <"/proc/$pid/environ"; } 2>/dev/null | grep -qxF "UNANIMUS_STATE=$UNANIMUS_STATE" || kill -KILL "$pid" 2>/dev/null || true
    done
    sleep 4
    clear_orphans
    as_server supervisord -c "$UNANIMUS_STATE/run/supervisor.conf"
    sleep 4
}
kill_a_web_node() { kill_node "web-$((RANDOM % 2 + 1))"; }
kill_a_work_node() { kill_node "work-$((RANDOM % 2 + 1))"; }
kill_the_pooler() { use_state data; killed pooler; }
kill_the_front() { use_state data; killed front; }
kill_the_store() { use_state data; supervise stop store >/dev/null; sleep 3; supervise start store >/dev/null; }
# What is told to be done is on both: without the replica nothing is told, until it is back.
kill_the_replica() {
    use_state data
    fleet_ports
    local replica=$((3 - $(primary_number))) try
    kill -KILL "$(head -1 "$(number_data $replica)/postmaster.pid")" || return 0
    sleep 2
    for try in $(seq 1 60); do (start_numbered $replica) >/dev/null 2>&1 && return 0; sleep 0.5; done
}
kill_the_primary() {
    use_state data
    fleet_ports
    kill -KILL "$(head -1 "$(number_data "$(primary_number)")/postmaster.pid")"
    sleep 2
    fleet_promote
}
