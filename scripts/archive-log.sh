#!/bin/sh
# Puts a finished piece of the database's log where backups are kept; PostgreSQL keeps it until this answers with 0, and asks
# again. What is there already is the same, or nothing is overwritten.
set -eu
from=$1
to=$2.gz
if [ -e "$to" ]; then
    gzip -dc "$to" | cmp -s - "$from"
    exit
fi
gzip -1c "$from" >"$to.part"
gzip -dc "$to.part" | cmp -s - "$from"
sync "$to.part"
mv "$to.part" "$to"
sync "$(dirname "$to")"
