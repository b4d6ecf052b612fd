#!/bin/sh
# Starts a program as the only one of its kind in this copy. A master that was killed leaves its children behind, and they
# hold its socket or port: they are in its process group, and are ended before the next master begins.
# alone.sh RUN-FOLDER NAME WHAT-ITS-PROGRAMS-ARE-CALLED COMMAND...
run=$1
name=$2
called=$3
shift 3
for old in $(cat "$run/$name.groups" 2>/dev/null); do
    [ "$old" = $$ ] || pkill -KILL -g "$old" -f "$called" 2>/dev/null
done
echo $$ >>"$run/$name.groups"
tail -n 20 "$run/$name.groups" >"$run/$name.groups.new" && mv "$run/$name.groups.new" "$run/$name.groups"
exec "$@"
