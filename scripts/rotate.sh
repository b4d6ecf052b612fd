# New secrets for old, while people work. What was made with the old ones goes on to hold: links, stored secrets and histories are
# read with every key there was, seals are judged by the certificates above them.

cmd_rotate() {
    use_state "$(own_profile)"
    is_running && answers || fail "it does not run: ./unanimus start first"
    [ "$(cat "$UNANIMUS_STATE/run/code")" = "$ROOT" ] || fail "give it in the folder that serves: $(cat "$UNANIMUS_STATE/run/code")"
    case ${1:-} in
        app-key) rotate_app_key ;;
        seal-key) rotate_seal_key "${2:-}" ;;
        database) rotate_database_password ;;
        *) fail "which? ./unanimus rotate app-key, seal-key [PEM], or database" ;;
    esac
    say "backups of before open only with the keys of before: take one now (./unanimus backup)"
}

# What it has read of its settings already is read again; nobody who is being answered is let go of. The new configuration is moved into
# place whole: were it away for a moment, a page would be answered by the new settings and the next by the old, which cannot read what
# that one left in the session.
take_up_settings() {
    write_configuration
    if [ -z "${UNANIMUS_DEVELOP:-}" ]; then
        as_app env APP_CONFIG_CACHE="$APP_CONFIG_CACHE.new" php artisan config:cache >"$UNANIMUS_STATE/log/prepare.log" 2>&1 && [ -s "$APP_CONFIG_CACHE.new" ] \
            || { tail -5 "$UNANIMUS_STATE/log/prepare.log"; fail "the settings could not be taken up"; }
        mv "$APP_CONFIG_CACHE.new" "$APP_CONFIG_CACHE"
    fi
    begin_anew
    answers || fail "it does not answer with the new one; its logs are in $UNANIMUS_STATE/log"
}

rotate_app_key() {
    local s=$UNANIMUS_STATE/secrets
    (
        umask 077
        { cat "$s/app_key"; cat "$s/app_keys_before" 2>/dev/null || true; } >"$s/app_keys_before.new"
        echo "base64:$(openssl rand -base64 32)" >"$s/app_key.new"
    )
    # The old one is among those that are read before it is no more the first.
    mv "$s/app_keys_before.new" "$s/app_keys_before" && mv "$s/app_key.new" "$s/app_key"
    take_up_settings
    say "the application has a new key; what was made with the $(wc -l <"$s/app_keys_before") before it is still read"
}

# Its own, by the local authority, or a given one; either is tried before anything is sealed with it.
rotate_seal_key() {
    local given=$1 s=$UNANIMUS_STATE/secrets kept
    kept=$s/seal-before-$(date -u +%Y-%m-%dT%H%M%SZ).pem
    if [ -n "$given" ]; then
        [ -f "$given" ] || fail "$given is not there"
        [ -n "$(setting UNANIMUS_SEAL_KEY)" ] || fail "the seal is by the local authority: set UNANIMUS_SEAL_KEY in $UNANIMUS_STATE/settings to use one that was given"
        [ "$(openssl x509 -in "$given" -noout -pubkey 2>/dev/null)" = "$(SEALWORD=$(setting UNANIMUS_SEAL_PASSPHRASE | tr -d '"') openssl pkey -in "$given" -passin env:SEALWORD -pubout 2>/dev/null)" ] \
            || fail "the first certificate in $given is not that of its key, or the key does not open with UNANIMUS_SEAL_PASSPHRASE; nothing was changed"
        openssl x509 -in "$given" -noout -checkend 86400 >/dev/null || fail "its certificate has ended, or does within a day; nothing was changed"
        cp -a "$s/seal.pem" "$kept"
        install -m 600 "$given" "$s/seal.pem.new"
        [ "$(id -un)" = "$APP_USER" ] || chown "$APP_USER:" "$s/seal.pem.new"
        mv "$s/seal.pem.new" "$s/seal.pem"
    else
        [ -z "$(setting UNANIMUS_SEAL_KEY)" ] || fail "the seal was given: ./unanimus rotate seal-key PEM"
        cp -a "$s/authority/seal.pem" "$kept"
        as_app php artisan authority:prepare --seal-anew || fail "no other sealing key could be made; nothing was changed"
    fi
    take_up_settings
    as_app php artisan installation:try || { as_app cp -a "$kept" "$(setting_of_seal)"; fail "what it seals does not hold: the one before is back"; }
    say "the seal is another; sets that the one before sealed hold as they did. It is kept in $kept"
}

setting_of_seal() { local at; at=$(setting UNANIMUS_SEAL_KEY); echo "${at:-$UNANIMUS_STATE/secrets/authority/seal.pem}"; }

# Connections that stand go on; new ones look up the new word where it is written (App\Access\AppConnector) until the settings have it.
rotate_database_password() {
    (umask 077; openssl rand -hex 24 >"$UNANIMUS_STATE/secrets/app.new")
    [ "$(id -un)" = "$APP_USER" ] || chown "$APP_USER:" "$UNANIMUS_STATE/secrets/app.new"
    mv "$UNANIMUS_STATE/secrets/app.new" "$UNANIMUS_STATE/secrets/app"
    make_role_and_database
    take_up_settings
    say "the database asks for another password"
}
