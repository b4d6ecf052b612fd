# A real installation on this machine: its own name, certificate, mail, keys and backups; no demo data and no post room.

# What is asked, what it is for, and what is meant where nothing is said.
QUESTIONS=(
    "NAME|The name people will reach it at|"
    "CERTIFICATE|Its certificate: self (made here, browsers will warn), or the file of a given one with those above it|self"
    "CERTIFICATE_KEY|The file with that certificate's key|"
    "HTTP_PORT|The port in the open, from which people are sent on|80"
    "HTTPS_PORT|The port for everybody|443"
    "SMTP_HOST|The mail server that takes outgoing email|"
    "SMTP_PORT|Its port|587"
    "SMTP_SECURITY|smtp (encrypted when the server offers it) or smtps|smtp"
    "SMTP_USER|The user it knows us by, if it asks for one|"
    "SMTP_PASSWORD|Their password|"
    "EMAIL_FROM|The address that email comes from|"
    "EMAIL_TO|Where a first email may be sent, to try it|"
    "LMTP|Where a mail server on this machine brings mail (127.0.0.1:2424), if there is one|"
    "BYTES|Where documents are kept: disk, or s3|disk"
    "S3_ENDPOINT|The address of the store|"
    "S3_REGION|Its region|us-east-1"
    "S3_BUCKET|Its bucket|"
    "S3_KEY|The key it knows us by|"
    "S3_SECRET|Its secret|"
    "STAMPS_URL|The time-stamp authority (RFC 3161), or own: a local one, which proves less|own"
    "SEAL_KEY|The file with the sealing key and its certificates (PEM), or made: by a local authority|made"
    "SEAL_PASSPHRASE|Its passphrase, if it has one|"
    "BACKUPS|The folder for backups, best on another machine|"
    "BACKUP_PASSPHRASE|A passphrase of 16 letters or more that seals the keys in them|"
    "BROKERAGE|The name of the brokerage|"
    "OFFICE|Its first office|"
    "ZONE|The time zone of that office|America/New_York"
    "ADMINISTRATOR|Who sets it up: first and last name|"
    "ADMINISTRATOR_EMAIL|Where their invitation goes|"
)

declare -A ANSWERS

cmd_install() {
    local file=
    if [ "${1:-}" = --answers ]; then
        file=${2:-}
        [ -f "$file" ] || fail "$file is not there. It has a line for each answer, NAME=files.fernhollow.example; ./unanimus install --questions lists them"
    elif [ "${1:-}" = --questions ]; then
        printf '%s\n' "${QUESTIONS[@]}" | awk -F'|' '{ printf "# %s\n%s=%s\n", $2, $1, $3 }'
        return
    fi
    UNANIMUS_HOME=${UNANIMUS_HOME:-/var/lib/unanimus}
    UNANIMUS_PROFILE=live
    export UNANIMUS_HOME UNANIMUS_PROFILE
    [ "$(id -u)" = 0 ] || [ -n "$file" ] || fail "run it as root: it writes units of systemd and opens ports 80 and 443"
    set_up
    mkdir -p "$UNANIMUS_HOME" && chmod go+x "$UNANIMUS_HOME"
    use_state live
    [ "$APP_USER" = "$PG_USER" ] || fail "the user unanimus cannot read $ROOT or write to $UNANIMUS_STATE: put the code where everybody may read it, as /opt/unanimus"
    gather_answers "$file"
    answers_are_good
    write_settings
    take_certificate
    start_stack
    say "trying each answer by using it"
    as_app php artisan installation:try ${ANSWERS[EMAIL_TO]:+--letter="${ANSWERS[EMAIL_TO]}"} || fail "correct what is told above, and run the same once more: nothing is lost, and nothing is done twice"
    [ -z "${ANSWERS[BACKUPS]}" ] || (take_base) || fail "correct what is told above, and run the same once more"
    open_the_brokerage
    as_app touch "$UNANIMUS_STATE/seeded"
    write_units
    told_at_the_end
}

# From a file, or asked one by one; an answer that was given before is the one that is meant.
gather_answers() {
    local one key what usual said
    for one in "${QUESTIONS[@]}"; do
        IFS='|' read -r key what usual <<<"$one"
        said=$(sed -n "s/^$key=//p" "${1:-/dev/null}" | tail -1)
        [ -n "$said" ] || said=$( (sed -n "s/^$key=//p" "$UNANIMUS_STATE/answers" 2>/dev/null || true) | tail -1)
        if [ -z "$1" ]; then
            local given
            read -r -p "$what${said:+ [$said]}${said:-${usual:+ [$usual]}}: " given </dev/tty
            said=${given:-$said}
        fi
        ANSWERS[$key]=${said:-$usual}
    done
    (umask 077; for one in "${QUESTIONS[@]}"; do echo "${one%%|*}=${ANSWERS[${one%%|*}]}"; done >"$UNANIMUS_STATE/answers")
}

# All that is wrong at once, and each in words.
answers_are_good() {
    local wrong=() key
    for key in NAME SMTP_HOST EMAIL_FROM BROKERAGE ADMINISTRATOR ADMINISTRATOR_EMAIL; do [ -n "${ANSWERS[$key]}" ] || wrong+=("$key is missing"); done
    [[ -z "${ANSWERS[NAME]}" || "${ANSWERS[NAME]}" =~ ^[a-z0-9]([a-z0-9.-]*[a-z0-9])?$ ]] || wrong+=("NAME is a name such as files.fernhollow.example, in small letters")
    for key in EMAIL_FROM EMAIL_TO ADMINISTRATOR_EMAIL; do [[ -z "${ANSWERS[$key]}" || "${ANSWERS[$key]}" =~ ^[^@[:space:]]+@[^@[:space:]]+$ ]] || wrong+=("$key is no email address: ${ANSWERS[$key]}"); done
    for key in HTTP_PORT HTTPS_PORT SMTP_PORT; do [[ "${ANSWERS[$key]}" =~ ^[0-9]{1,5}$ ]] || wrong+=("$key is a number"); done
    for key in "${!ANSWERS[@]}"; do [[ "${ANSWERS[$key]}" != *[\"\\\$\`]* ]] || wrong+=("$key has a quotation mark, backslash or dollar sign, which settings cannot hold"); done
    [ "${ANSWERS[CERTIFICATE]}" = self ] || [ -f "${ANSWERS[CERTIFICATE]}" ] || wrong+=("CERTIFICATE: ${ANSWERS[CERTIFICATE]} is not there")
    [ "${ANSWERS[CERTIFICATE]}" = self ] || [ -f "${ANSWERS[CERTIFICATE_KEY]}" ] || wrong+=("CERTIFICATE_KEY: ${ANSWERS[CERTIFICATE_KEY]:-nothing} is not there")
    [ "${ANSWERS[SEAL_KEY]}" = made ] || [ -f "${ANSWERS[SEAL_KEY]}" ] || wrong+=("SEAL_KEY: ${ANSWERS[SEAL_KEY]} is not there")
    [[ "${ANSWERS[SMTP_SECURITY]}" =~ ^smtps?$ ]] || wrong+=("SMTP_SECURITY is smtp or smtps")
    [[ "${ANSWERS[BYTES]}" =~ ^(disk|s3)$ ]] || wrong+=("BYTES is disk or s3")
    [ -f "/usr/share/zoneinfo/${ANSWERS[ZONE]}" ] || wrong+=("ZONE: there is no time zone ${ANSWERS[ZONE]}")
    [ -z "${ANSWERS[BACKUPS]}" ] || [ ${#ANSWERS[BACKUP_PASSPHRASE]} -ge 16 ] || wrong+=("BACKUP_PASSPHRASE has fewer than 16 letters")
    [ ${#wrong[@]} -eq 0 ] || { printf '  %s\n' "${wrong[@]}" >&2; fail "nothing was installed: correct these answers"; }
}

write_settings() {
    local s=$UNANIMUS_STATE/settings port=${ANSWERS[HTTPS_PORT]} own
    own=$(sed -n '/^# What you add yourself/,$p' "$s" 2>/dev/null || true)
    (
        umask 077
        {
            echo "# Written by ./unanimus install out of $UNANIMUS_STATE/answers."
            echo "APP_ENV=production"
            echo "APP_URL=https://${ANSWERS[NAME]}$([ "$port" = 443 ] || echo ":$port")"
            echo "UNANIMUS_HTTP_PORT=${ANSWERS[HTTP_PORT]}"
            echo "UNANIMUS_HTTPS_PORT=$port"
            echo "UNANIMUS_TLS=$UNANIMUS_STATE/tls/chain.pem"
            echo "SESSION_SECURE_COOKIE=true"
            echo "UNANIMUS_DEMO=false"
            echo "UNANIMUS_EXCHANGE_URL="
            echo "UNANIMUS_POST_ROOM_URL="
            echo "MAIL_HOST=${ANSWERS[SMTP_HOST]}"
            echo "MAIL_PORT=${ANSWERS[SMTP_PORT]}"
            echo "MAIL_SCHEME=${ANSWERS[SMTP_SECURITY]}"
            [ -z "${ANSWERS[SMTP_USER]}" ] || printf 'MAIL_USERNAME="%s"\nMAIL_PASSWORD="%s"\n' "${ANSWERS[SMTP_USER]}" "${ANSWERS[SMTP_PASSWORD]}"
            echo "MAIL_FROM_ADDRESS=${ANSWERS[EMAIL_FROM]}"
            echo "MAIL_FROM_NAME=\"${ANSWERS[BROKERAGE]}\""
            echo "UNANIMUS_SEAL_OWNER=\"${ANSWERS[BROKERAGE]}\""
            [ -z "${ANSWERS[LMTP]}" ] || echo "UNANIMUS_LMTP=${ANSWERS[LMTP]}"
            [ "${ANSWERS[STAMPS_URL]}" = own ] || echo "UNANIMUS_STAMPS_URL=${ANSWERS[STAMPS_URL]}"
            [ "${ANSWERS[SEAL_KEY]}" = made ] || printf 'UNANIMUS_SEAL_KEY=%s\nUNANIMUS_SEAL_PASSPHRASE="%s"\n' "$UNANIMUS_STATE/secrets/seal.pem" "${ANSWERS[SEAL_PASSPHRASE]}"
            [ "${ANSWERS[BYTES]}" = disk ] || printf 'UNANIMUS_BYTES=s3\nUNANIMUS_S3_ENDPOINT=%s\nUNANIMUS_S3_REGION=%s\nUNANIMUS_S3_BUCKET=%s\nUNANIMUS_S3_KEY="%s"\nUNANIMUS_S3_SECRET="%s"\n' "${ANSWERS[S3_ENDPOINT]}" "${ANSWERS[S3_REGION]}" "${ANSWERS[S3_BUCKET]}" "${ANSWERS[S3_KEY]}" "${ANSWERS[S3_SECRET]}"
            [ -z "${ANSWERS[BACKUPS]}" ] || printf 'UNANIMUS_BACKUPS=%s\nUNANIMUS_BACKUP_PASSPHRASE=%s\n' "${ANSWERS[BACKUPS]}" "${ANSWERS[BACKUP_PASSPHRASE]}"
            echo "${own:-# What you add yourself stands below, and stays.}"
        } >"$s.new"
    )
    # What the programs have read already is taken up by starting anew.
    cmp -s "$s.new" "$s" || { stop_services; stop_database; }
    mv "$s.new" "$s"
    if [ "${ANSWERS[SEAL_KEY]}" != made ]; then
        mkdir -p "$UNANIMUS_STATE/secrets"
        install -m 600 "${ANSWERS[SEAL_KEY]}" "$UNANIMUS_STATE/secrets/seal.pem"
    fi
}

take_certificate() {
    local tls=$UNANIMUS_STATE/tls
    mkdir -p "$tls" "$UNANIMUS_STATE/acme/.well-known/acme-challenge"
    chmod 700 "$tls"
    if [ "${ANSWERS[CERTIFICATE]}" != self ]; then
        place_certificate "${ANSWERS[CERTIFICATE]}" "${ANSWERS[CERTIFICATE_KEY]}"
    elif [ ! -f "$tls/chain.pem" ] || [ "$(openssl x509 -in "$tls/chain.pem" -noout -checkhost "${ANSWERS[NAME]}" | grep -c 'does match')" = 0 ]; then
        say "no certificate was given: one is made here, and browsers will warn of it until ./unanimus certificate CHAIN KEY puts a real one in place"
        openssl req -x509 -newkey ec -pkeyopt ec_paramgen_curve:P-256 -nodes -days 397 -subj "/CN=${ANSWERS[NAME]}" -addext "subjectAltName=DNS:${ANSWERS[NAME]}" \
            -keyout "$tls/key.pem" -out "$tls/chain.pem" 2>/dev/null || fail "no certificate could be made"
    fi
    [ "$(id -un)" = "$APP_USER" ] || chown -R "$APP_USER:" "$tls" "$UNANIMUS_STATE/acme"
}

place_certificate() {
    local tls=$UNANIMUS_STATE/tls
    [ "$(openssl x509 -in "$1" -noout -pubkey 2>/dev/null)" = "$(openssl pkey -in "$2" -pubout 2>/dev/null)" ] || fail "the key $2 is not that of the certificate $1; nothing was changed"
    openssl x509 -in "$1" -noout -checkend 0 >/dev/null || fail "the certificate $1 has ended; nothing was changed"
    [ "$(openssl x509 -in "$1" -noout -checkhost "$(setting APP_URL | sed 's|^https://||; s|:.*||')" | grep -c 'does match')" = 1 ] || fail "the certificate $1 is for another name; nothing was changed"
    install -m 600 "$2" "$tls/key.pem.new" && install -m 644 "$1" "$tls/chain.pem.new"
    mv "$tls/key.pem.new" "$tls/key.pem" && mv "$tls/chain.pem.new" "$tls/chain.pem"
}

# A renewed certificate, taken up without letting go of anyone: ./unanimus certificate CHAIN KEY
cmd_certificate() {
    use_state "$(own_profile)"
    [ -d "$UNANIMUS_STATE/tls" ] || fail "there is no installation here"
    [ -f "${1:-}" ] && [ -f "${2:-}" ] || fail "which? ./unanimus certificate CHAIN KEY, both PEM"
    place_certificate "$1" "$2"
    [ "$(id -un)" = "$APP_USER" ] || chown -R "$APP_USER:" "$UNANIMUS_STATE/tls"
    ! is_running || supervisorctl -c "$UNANIMUS_STATE/run/supervisor.conf" signal HUP nginx >/dev/null
    say "the certificate is good until $(openssl x509 -in "$UNANIMUS_STATE/tls/chain.pem" -noout -enddate | cut -d= -f2)"
}

open_the_brokerage() {
    [ ! -f "$UNANIMUS_STATE/seeded" ] || return 0
    [ "$(psql_owner -d unanimus -Atc 'SELECT count(*) FROM brokerages')" = 0 ] || return 0
    as_app php artisan brokerage:open "${ANSWERS[BROKERAGE]}" --office="${ANSWERS[OFFICE]:-${ANSWERS[BROKERAGE]}}" --zone="${ANSWERS[ZONE]}" \
        --administrator="${ANSWERS[ADMINISTRATOR]}" --email="${ANSWERS[ADMINISTRATOR_EMAIL]}" || fail "the brokerage could not be opened"
}

# Started with the machine, and again whenever it ends; the programs in it are looked after by its supervisor.
write_units() {
    local to=${UNANIMUS_ETC:-/etc}
    [ "$(id -u)" = 0 ] || [ -n "${UNANIMUS_ETC:-}" ] || return 0
    mkdir -p "$to/unanimus" "$to/systemd/system" "$to/logrotate.d"
    printf 'ROOT=%s\nHOME=%s\n' "$ROOT" "$UNANIMUS_HOME" >"$to/unanimus/installation"
    fill_in scripts/templates/unanimus.service "$to/systemd/system/unanimus.service"
    fill_in scripts/templates/logrotate "$to/logrotate.d/unanimus"
    [ -d /run/systemd/system ] || { say "systemd does not run here: ./unanimus start starts it by hand"; return 0; }
    systemctl daemon-reload && systemctl enable unanimus.service >/dev/null 2>&1
}

told_at_the_end() {
    echo
    echo "  Unanimus is at $(setting APP_URL)"
    echo "  The invitation of ${ANSWERS[ADMINISTRATOR]} went to ${ANSWERS[ADMINISTRATOR_EMAIL]}."
    echo "  Everything it writes is in $UNANIMUS_STATE; answers and settings there hold passwords."
    [ -n "${ANSWERS[BACKUPS]}" ] || echo "  No backups are taken: UNANIMUS_BACKUPS in $UNANIMUS_STATE/settings (docs/operating.md)."
    [ "${ANSWERS[STAMPS_URL]}" != own ] || echo "  Time stamps are its own: an authority outside proves more."
    echo "  In your firewall: ports ${ANSWERS[HTTP_PORT]} and ${ANSWERS[HTTPS_PORT]} from everywhere, no other; it needs to reach ${ANSWERS[SMTP_HOST]}:${ANSWERS[SMTP_PORT]}$([ "${ANSWERS[STAMPS_URL]}" = own ] || echo " and ${ANSWERS[STAMPS_URL]}")."
    echo "  ./unanimus check says whether it is well."
}

# An installation out of a file, beside the copy that is tested and with its mail server: it answers under its name alone, takes
# mail, sends, seals, is well; the same once more changes nothing, and answers that cannot be are told all at once.
install_round_trip() {
    local broken=$1 where name=files.fernhollow.example https=$((BASE + 7)) mail=$UNANIMUS_STATE/mail/out said
    where=$(mktemp -d)
    chmod 711 "$where"
    mkdir -m 755 "$where/home" "$where/backups"
    printf '%s\n' "NAME=$name" "HTTP_PORT=$((BASE + 6))" "HTTPS_PORT=$https" SMTP_HOST=127.0.0.1 "SMTP_PORT=$((BASE + 3))" EMAIL_FROM=files@fernhollow.example \
        EMAIL_TO=odile@fernhollow.example "LMTP=127.0.0.1:$((BASE + 8))" "BACKUPS=$where/backups" BACKUP_PASSPHRASE=heron-weir-lantern-quoin \
        'BROKERAGE=Fernhollow Realty' OFFICE=Fernhollow ZONE=America/Chicago 'ADMINISTRATOR=Odile Marchetti' ADMINISTRATOR_EMAIL=odile@fernhollow.example >"$where/answers"
    (
        export UNANIMUS_HOME=$where/home UNANIMUS_PROFILE=live UNANIMUS_ETC=$where/etc
        sed 's/^NAME=.*/NAME=No Name/; s/^ZONE=.*/ZONE=Nowhere/' "$where/answers" >"$where/wrong"
        said=$( (cmd_install --answers "$where/wrong") 2>&1) && echo install-of-wrong-answers >>"$broken"
        grep -q 'NAME is a name' <<<"$said" && grep -q 'no time zone Nowhere' <<<"$said" || { echo "$said"; echo wrong-answers-untold >>"$broken"; }
        (cmd_install --answers "$where/answers") || echo install >>"$broken"
        (cmd_install --answers "$where/answers") >/dev/null || echo install-once-more >>"$broken"
        use_state live
        [ "$(psql_owner -d unanimus -Atc 'SELECT count(*) FROM brokerages')" = 1 ] || echo opened-twice >>"$broken"
        ask() { curl -s --max-time 20 --cacert "$UNANIMUS_STATE/tls/chain.pem" --resolve "$name:$https:127.0.0.1" "$@"; }
        ask "https://$name:$https/sign-in" | grep 'Sign in' >/dev/null || echo install-serves >>"$broken"
        [ "$(ask -o /dev/null -w '%{http_version}' "https://$name:$https/sign-in")" = 2 ] || echo install-http2 >>"$broken"
        ! ask --resolve "other.example:$https:127.0.0.1" "https://other.example:$https/" >/dev/null || echo install-answers-under-another-name >>"$broken"
        for said in 127.0.0.1 "$name"; do
            curl -s -o /dev/null -w '%{redirect_url}' -H "Host: $said" "http://127.0.0.1:$(setting UNANIMUS_HTTP_PORT)/files" \
                | grep -x "https://$name:$https/files" >/dev/null || echo install-in-the-open >>"$broken"
        done
        printf 'LHLO mx\r\nMAIL FROM:<nadia@anchorfield.example>\r\nRCPT TO:<papers@papers.fernhollow.example>\r\nDATA\r\nSubject: Survey\r\nMessage-ID: <first@x>\r\n\r\nHere.\r\n.\r\nQUIT\r\n' \
            | (exec 3<>"/dev/tcp/127.0.0.1/$(setting UNANIMUS_LMTP | cut -d: -f2)"; cat >&3; timeout 20 cat <&3) | grep '^250 2.0.0 Kept' >/dev/null || echo install-takes-mail >>"$broken"
        as_app php artisan installation:check || echo install-is-well >>"$broken"
        ! command -v systemd-analyze >/dev/null || systemd-analyze verify "$where/etc/systemd/system/unanimus.service" || echo install-unit >>"$broken"
        upgrade_there_and_back "$broken" "$where" "https://$name:$https"
        cmd_stop live >/dev/null
        # Out of its backups it is an installation again, of whatever folder; its settings are there, its backups are its own matter.
        unset UNANIMUS_PROFILE
        (export UNANIMUS_HOME=$where/again UNANIMUS_BACKUP_PASSPHRASE=heron-weir-lantern-quoin; cmd_restore "$where/backups") || echo install-restored >>"$broken"
        [ -f "$where/again/live/settings" ] && grep -q '^APP_URL=https' "$where/again/live/settings" && ! grep -q '^UNANIMUS_BACKUPS=.' "$where/again/live/settings" || echo install-restored-as-another >>"$broken"
        (UNANIMUS_HOME=$where/again; use_state live; stop_database; rm -rf "$(pgdata)")
        UNANIMUS_HOME=$where/home
        use_state live
        rm -rf "$(pgdata)"
    )
    for said in 1 2 3 4 5 6 7 8 9 10; do ! grep -rql 'odile@fernhollow.example' "$mail" || break; sleep 1; done
    grep -rql 'odile@fernhollow.example' "$mail" || echo install-sends >>"$broken"
    rm -rf "$where"
}
