#!/bin/sh
# Runs a program where it finds nothing of this machine but programs, fonts and its own work folder (as /work): no network,
# no other files, no other processes. Needs no rights; where the kernel allows no such room it fails before the program begins.
set -e
scratch=${1%/}
shift
root=$scratch/room
mkdir -p "$root"
mount -t tmpfs -o size=64m,mode=0755 tmpfs "$root"
cd "$root"
mkdir -p etc tmp proc dev work
for one in usr bin sbin lib lib32 lib64; do
    if [ -L "/$one" ]; then cp -P "/$one" "$one"; elif [ -d "/$one" ]; then mkdir "$one"; mount --rbind "/$one" "$one"; fi
done
for one in etc/fonts etc/libreoffice etc/ld.so.cache; do
    if [ -d "/$one" ]; then mkdir -p "$one"; mount --bind "/$one" "$one"; elif [ -f "/$one" ]; then : >"$one"; mount --bind "/$one" "$one"; fi
done
mount -t proc proc proc 2>/dev/null || mount --rbind /proc proc
mount --rbind /dev dev
mount --bind "$scratch" work
exec chroot "$root" env -i HOME=/work/profile PATH=/usr/bin:/bin LANG=C.UTF-8 "$@"
