#!/bin/sh
# Puts a finished piece of the database's log where backups are kept; PostgreSQL keeps it until this answers with 0, and asks
# again. What is there already is the same, or nothing is overwritten. A row never names bytes that were not written before it:
# so that this holds of what is restored, too, new bytes are copied before the log that may name them.
set -eu
from=$1
to=$2.gz
bytes=$3
place=$(dirname "$(dirname "$2")")

copy_bytes() {
    [ -r "$bytes" ] && [ -x "$bytes" ] || return 0
    until=$place/bytes-until
    # What is being written while it is looked for is looked for again: a minute is more than any file takes.
    touch -d '-60 seconds' "$until.new"
    newer=
    [ ! -f "$until" ] || newer="-newer $until"
    (cd "$bytes" && find . -type f ! -name '*.part' $newer) >"$until.list"
    while read -r one; do
        [ ! -e "$place/bytes/$one" ] || continue
        mkdir -p "$(dirname "$place/bytes/$one")"
        # Gone meanwhile: purged.
        cp "$bytes/$one" "$place/bytes/$one.part" 2>/dev/null || { [ ! -e "$bytes/$one" ] && continue; exit 1; }
        [ "$(sha256sum <"$place/bytes/$one.part" | cut -c1-64)" = "$(basename "$one")" ] || { rm -f "$place/bytes/$one.part"; exit 1; }
        sync "$place/bytes/$one.part"
        mv "$place/bytes/$one.part" "$place/bytes/$one"
    done <"$until.list"
    mv "$until.new" "$until"
    rm -f "$until.list"
}

if [ -e "$to" ]; then
    gzip -dc "$to" | cmp -s - "$from"
    exit
fi
copy_bytes
gzip -1c "$from" >"$to.part"
gzip -dc "$to.part" | cmp -s - "$from"
sync "$to.part"
mv "$to.part" "$to"
sync "$(dirname "$to")"
