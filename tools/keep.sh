#!/usr/bin/env bash
# Keeps the program running, and its database: starts it again when it ends by itself, and says why in its log.
# usage: keep.sh FOLDER COMMAND…    writes FOLDER/program.pid and FOLDER/program.log; ends when it is told to
set -u
folder=$1
shift
log=$folder/program.log
most=5      # times within the span, before it gives up
span=600    # seconds
largest=10485760 # bytes of a log, of which three old ones are kept

turn() {
  [ -f "$log" ] && [ "$(stat -c %s "$log")" -gt "$largest" ] || return 0
  [ ! -f "$log.2" ] || mv "$log.2" "$log.3"
  [ ! -f "$log.1" ] || mv "$log.1" "$log.2"
  mv "$log" "$log.1"
}

note() { printf '%s keep: %s\n' "$(date -u +%FT%TZ)" "$*" >> "$log"; }

why() { # CODE
  case $1 in
    0) echo "it ended by itself" ;;
    3) echo "it ran out of memory" ;;
    137) echo "it was killed" ;;
    143) echo "it was asked to end" ;;
    *) echo "it ended with code $1" ;;
  esac
}

pg=$(dirname "$0")/pg.sh
days=${NIGHTBANK_BACKUP_DAYS:-14} # that a daily backup is kept

again=$(($(date +%s) + 600)) # not in the first minutes, nor often where it fails

database() { # a full disk, once there is room again, or whatever else took it down
  while sleep 5; do
    [ -f "$folder/cluster/PG_VERSION" ] || continue
    if ! "$pg" running "$folder" > /dev/null 2>&1; then
      note "the database had stopped."
      if "$pg" start "$folder" scram "$(cat "$folder/db-port")" >> "$log" 2>&1 < /dev/null; then
        note "the database is started again."
      else
        sleep 25
      fi
    elif [ "$days" -gt 0 ] && [ ! -f "$folder/backups/nightbank-$(date -u +%F).dump" ] && [ "$(date +%s)" -ge "$again" ]; then
      "$(dirname "$0")/backup.sh" daily "$folder" "$days" >> "$log" 2>&1 < /dev/null || note "today's backup was not written."
      again=$(($(date +%s) + 3600))
    fi
  done
}

child=
database &
watch=$!
trap 'trap - TERM INT; kill "$watch" 2>/dev/null; [ -z "$child" ] || kill "$child" 2>/dev/null; exit 0' TERM INT
trap 'kill "$watch" 2>/dev/null' EXIT
starts=()
while :; do
  turn
  "$@" >> "$log" 2>&1 < /dev/null &
  child=$!
  printf '%s\n' "$child" > "$folder/program.pid"
  wait "$child"
  code=$?
  [ "$code" != 143 ] || exit 0 # whoever stops the program means it
  now=$(date +%s)
  starts+=("$now")
  while [ $((now - starts[0])) -gt "$span" ]; do starts=("${starts[@]:1}"); done
  if [ "${#starts[@]}" -ge "$most" ]; then
    note "$(why "$code"), for the ${most}th time in ten minutes; not started again. Read what stands above."
    exit 1
  fi
  note "$(why "$code"); started again."
  sleep "${#starts[@]}"
done
