# What must be on the machine and in the folder before anything runs. Each step is skipped when it is done.

say() { printf '\033[2m·\033[0m %s\n' "$*"; }
fail() { printf 'unanimus: %s\n' "$*" >&2; exit 1; }

# program:package
PROGRAMS=(
    php:php8.2-cli composer:composer node:nodejs npm:npm nginx:nginx-light php-fpm8.2:php8.2-fpm supervisord:supervisor
    qpdf:qpdf pdftocairo:poppler-utils pdfsig:poppler-utils rsvg-convert:librsvg2-bin cwebp:webp openssl:openssl
    img2pdf:img2pdf tesseract:tesseract-ocr heif-convert:libheif-examples soffice:libreoffice-writer-nogui
    chromium:chromium chromedriver:chromium-driver fc-list:fontconfig unzip:unzip qrencode:qrencode tnef:tnef cgi-fcgi:libfcgi-bin
)
EXTENSIONS=(pdo_pgsql:php8.2-pgsql gd:php8.2-gd curl:php8.2-curl zip:php8.2-zip intl:php8.2-intl mbstring:php8.2-mbstring dom:php8.2-xml bcmath:php8.2-bcmath apcu:php8.2-apcu)
FONTS=("Noto Sans:fonts-noto-core" "Noto Sans CJK JP:fonts-noto-cjk" "Nimbus Sans:fonts-urw-base35")

missing_packages() {
    local entry modules families
    for entry in "${PROGRAMS[@]}"; do
        command -v "${entry%%:*}" >/dev/null || [ -x "/usr/sbin/${entry%%:*}" ] || echo "${entry##*:}"
    done
    [ -e /usr/lib/libreoffice/program/libsclo.so ] || echo libreoffice-calc-nogui
    ls /usr/lib/postgresql/*/bin/initdb >/dev/null 2>&1 || echo postgresql
    if command -v php >/dev/null; then
        modules=$(php -m | tr '[:upper:]' '[:lower:]')
        for entry in "${EXTENSIONS[@]}"; do
            grep -qx "${entry%%:*}" <<<"$modules" || echo "${entry##*:}"
        done
    else
        for entry in "${EXTENSIONS[@]}"; do echo "${entry##*:}"; done
    fi
    families=$(command -v fc-list >/dev/null && fc-list : family || true)
    for entry in "${FONTS[@]}"; do
        grep -qF "${entry%%:*}" <<<"$families" || echo "${entry##*:}"
    done
}

install_system_packages() {
    local missing
    missing=$(missing_packages | sort -u | tr '\n' ' ')
    [ -n "${missing// /}" ] || return 0
    command -v apt-get >/dev/null || fail "these packages are missing, install them with your system's own tool: $missing"
    [ "$(id -u)" = 0 ] || fail "these packages are missing: run  sudo apt-get install --no-install-recommends $missing"
    say "installing from the system's packages: $missing"
    # Debian starts a service as it is installed unless a policy refuses: ours are private ones.
    local policy=/usr/sbin/policy-rc.d placed=
    [ -e $policy ] || { printf '#!/bin/sh\nexit 101\n' >$policy; chmod +x $policy; placed=1; }
    mkdir -p "$ROOT/var"
    { apt-get update -q && DEBIAN_FRONTEND=noninteractive apt-get install -y -q --no-install-recommends $missing; } \
        >"$ROOT/var/packages.log" 2>&1 || { [ -z "$placed" ] || rm -f $policy; tail -5 "$ROOT/var/packages.log"; fail "the system's packages could not be installed; the whole log is var/packages.log"; }
    [ -z "$placed" ] || rm -f $policy
}

fingerprint() { cat "$@" 2>/dev/null | sha256sum | cut -c1-16; }

# What says which lines a test runs. Left off but where it is asked for: it slows everything down.
install_coverage() {
    ls /usr/lib/php/*/pcov.so >/dev/null 2>&1 && return
    [ "$(id -u)" = 0 ] || fail "a package is missing: run  sudo apt-get install --no-install-recommends php8.2-pcov"
    say "installing from the system's packages: php8.2-pcov"
    { apt-get update -q && DEBIAN_FRONTEND=noninteractive apt-get install -y -q --no-install-recommends php8.2-pcov && phpdismod pcov; } \
        >"$ROOT/var/packages.log" 2>&1 || { tail -5 "$ROOT/var/packages.log"; fail "php8.2-pcov could not be installed; the whole log is var/packages.log"; }
}

# The mail server that our own looking into mailboxes is tested against.
# What the tests talk to, and the application itself does not need: a mailbox server, and what looks for harmful code.
install_test_partners() {
    local missing=()
    [ -x /usr/sbin/dovecot ] || missing+=(dovecot-imapd)
    [ -x /usr/sbin/clamd ] || missing+=(clamav-daemon)
    [ ${#missing[@]} -gt 0 ] || return 0
    [ "$(id -u)" = 0 ] || fail "packages are missing: run  sudo apt-get install --no-install-recommends ${missing[*]}"
    say "installing from the system's packages: ${missing[*]}"
    local policy=/usr/sbin/policy-rc.d placed=
    [ -e $policy ] || { printf '#!/bin/sh\nexit 101\n' >$policy; chmod +x $policy; placed=1; }
    { apt-get update -q && DEBIAN_FRONTEND=noninteractive apt-get install -y -q --no-install-recommends "${missing[@]}"; } \
        >"$ROOT/var/packages.log" 2>&1 || { [ -z "$placed" ] || rm -f $policy; tail -5 "$ROOT/var/packages.log"; \
        fail "${missing[*]} could not be installed; the whole log is var/packages.log"; }
    [ -z "$placed" ] || rm -f $policy
}

install_php_packages() {
    local mark want
    want=$(fingerprint composer.json packages/*/composer.json)
    mark=vendor/.installed
    [ -f "$mark" ] && [ "$(cat $mark)" = "$want" ] && return 0
    say "installing PHP packages"
    mkdir -p var
    # A path package keeps its version, so an edited one is only taken again when its copy is gone.
    rm -rf vendor/unanimus
    COMPOSER_ALLOW_SUPERUSER=1 composer update --no-interaction --no-progress --prefer-dist >var/composer.log 2>&1 \
        || { tail -20 var/composer.log; fail "the PHP packages could not be installed; the whole log is var/composer.log"; }
    chmod -R a+rX vendor
    echo "$want" >"$mark"
}

install_front_end() {
    local mark want
    want=$(fingerprint package-lock.json)
    mark=node_modules/.installed
    if [ ! -f "$mark" ] || [ "$(cat $mark)" != "$want" ]; then
        say "installing front-end packages"
        mkdir -p var
        npm ci --ignore-scripts --no-audit --no-fund >var/npm.log 2>&1 || { tail -20 var/npm.log; fail "the front-end packages could not be installed; the whole log is var/npm.log"; }
        chmod -R a+rX node_modules
        echo "$want" >"$mark"
    fi
    want=$(fingerprint package-lock.json vite.config.js $(find resources/scss resources/js -type f | sort))
    mark=public/build/.built
    if [ ! -f "$mark" ] || [ "$(cat $mark)" != "$want" ]; then
        say "building styles and scripts"
        npx --no-install vite build >var/vite.log 2>&1 || { tail -20 var/vite.log; fail "the styles and scripts could not be built; the whole log is var/vite.log"; }
        chmod -R a+rX public/build
        echo "$want" >"$mark"
    fi
}

set_up() {
    install_system_packages
    install_php_packages
    install_front_end
}
