#!/usr/bin/env bash
# The whole record as one file, while the program runs or not; and back, onto a database that is empty.
# usage: backup.sh write FOLDER FILE     FOLDER is a database's, as pg.sh has it; FILE appears only when it is whole
#        backup.sh read FOLDER FILE      refused unless the database is empty; all of it or nothing
#        backup.sh check FILE            whether a file can be read to its end
#        backup.sh daily FOLDER DAYS     one a day into FOLDER/backups, those older than DAYS taken away
set -eu -o pipefail
bin=$(ls -d /usr/lib/postgresql/15/bin 2>/dev/null || true)
[ -n "$bin" ] || { echo "PostgreSQL 15 is not installed (Debian package postgresql-15)." >&2; exit 3; }

at() { # FOLDER COMMAND…: on its database
  local folder=$1
  shift
  PGPASSWORD=$(cat "$folder/password" 2>/dev/null || true) PGHOST=127.0.0.1 PGPORT=$(cat "$folder/db-port") PGUSER=nightbank \
    PGDATABASE=postgres "$@"
}

write() {
  local part=$2.part
  (umask 077; at "$1" "$bin/pg_dump" --format=custom --compress=6 --no-owner --lock-wait-timeout=60s --file="$part") ||
    { rm -f "$part"; echo "Nothing was written." >&2; exit 4; }
  check "$part"
  mv "$part" "$2"
}

check() {
  "$bin/pg_restore" --file=/dev/null "$1" 2> /dev/null ||
    { echo "$1 is no backup of this program, or it was cut off." >&2; exit 5; }
}

read_in() {
  check "$2"
  local there
  there=$(at "$1" "$bin/psql" -Atc "SELECT count(*) FROM pg_tables WHERE schemaname = 'public'")
  [ "$there" = 0 ] || { echo "There is a record already; it stays as it is." >&2; exit 6; }
  at "$1" "$bin/pg_restore" --dbname=postgres --no-owner --exit-on-error --single-transaction "$2" ||
    { echo "It was not read in; nothing is changed." >&2; exit 7; }
  at "$1" "$bin/psql" -qc "ANALYZE"
}

daily() {
  local to=$1/backups today
  today=$to/nightbank-$(date -u +%F).dump
  (umask 077; mkdir -p "$to")
  [ -f "$today" ] || write "$1" "$today"
  find "$to" -maxdepth 1 -name 'nightbank-*.dump' -mtime "+$2" -delete
}

case "${1:-}" in
  write) write "$2" "$3" ;;
  read) read_in "$2" "$3" ;;
  check) check "$2" ;;
  daily) daily "$2" "$3" ;;
  *) sed -n 3,6p "$0" >&2; exit 2 ;;
esac
