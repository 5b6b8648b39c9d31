#!/usr/bin/env bash
# A private PostgreSQL cluster on loopback.
# usage: pg.sh start FOLDER AUTH [PORT]   AUTH: scram (password kept in FOLDER/password) or trust (throw-away);
#                                         without PORT a free one; it is kept in FOLDER/db-port
#        pg.sh stop FOLDER | running FOLDER | free-port
set -eu
bin=$(ls -d /usr/lib/postgresql/15/bin 2>/dev/null || true)
[ -n "$bin" ] || { echo "PostgreSQL 15 is not installed (Debian package postgresql-15)." >&2; exit 3; }

as_owner() {
  if [ "$(id -u)" = 0 ]; then (cd / && runuser -u postgres -- "$@"); else "$@"; fi
}

# Below what the system hands to outgoing connections: one of those holds its port without answering on it.
free_port() {
  local port top=32768
  read -r top _ 2>/dev/null < /proc/sys/net/ipv4/ip_local_port_range || true
  [ "$top" -ge 21000 ] || top=32768
  for _ in $(seq 50); do
    port=$((20000 + (RANDOM * 32768 + RANDOM) % (top - 20000)))
    (exec 3<>"/dev/tcp/127.0.0.1/$port") 2>/dev/null || { echo "$port"; return; }
  done
  echo "no free port found between 20000 and $top" >&2
  return 1
}

# The server refuses root, so its folder must be open to its own user all the way up.
reachable() {
  if [ "$(id -u)" = 0 ] && ! runuser -u postgres -- test -x "$(dirname "$1")"; then
    echo "The database's user cannot enter $(dirname "$1"). Move the project out of a private home, or set NIGHTBANK_DATA to a folder that others may enter." >&2
    exit 4
  fi
}

start() {
  local folder=$1 auth=$2 given=${3:-}
  mkdir -p "$folder"
  chmod 0755 "$folder"
  reachable "$folder/cluster"
  if [ ! -f "$folder/cluster/PG_VERSION" ]; then
    local room
    room=$(df -Pk "$folder" | awk 'NR==2 {print $4}')
    [ "$room" -ge 300000 ] || { echo "Only $((room / 1024)) MB are free below $folder; the database needs 300 MB to begin." >&2; exit 5; }
    rm -rf "$folder/cluster"
    mkdir -p "$folder/cluster"
    [ "$(id -u)" != 0 ] || chown postgres "$folder/cluster"
    if [ "$auth" = scram ]; then
      (umask 077; head -c 24 /dev/urandom | od -An -tx1 | tr -d ' \n' > "$folder/password")
      local once="$folder/cluster.pw"
      (umask 077; cp "$folder/password" "$once")
      [ "$(id -u)" != 0 ] || chown postgres "$once"
      as_owner "$bin/initdb" -D "$folder/cluster" -U nightbank --data-checksums --encoding=UTF8 --locale=C.UTF-8 \
        --auth=scram-sha-256 --pwfile="$once" > "$folder/initdb.log" 2>&1 || { cat "$folder/initdb.log" >&2; exit 6; }
      rm -f "$once"
    else
      as_owner "$bin/initdb" -D "$folder/cluster" -U nightbank --encoding=UTF8 --locale=C.UTF-8 --no-sync \
        --auth=trust > "$folder/initdb.log" 2>&1 || { cat "$folder/initdb.log" >&2; exit 6; }
    fi
  fi
  touch "$folder/postgres.log"
  [ "$(id -u)" != 0 ] || chown postgres "$folder/postgres.log"
  local fast=""
  [ "$auth" = scram ] || fast="-c fsync=off -c full_page_writes=off -c synchronous_commit=off"
  # Queries are short: compiling them costs more than it saves. A winter of one thermometer sorts in memory.
  local swift="-c jit=off -c work_mem=16MB"
  local port said from
  for _ in 1 2 3 4 5; do
    port=${given:-$(free_port)}
    from=$(wc -c < "$folder/postgres.log")
    if said=$(as_owner "$bin/pg_ctl" -D "$folder/cluster" -w -s -t 60 -l "$folder/postgres.log" \
      -o "-p $port -c listen_addresses=127.0.0.1 -c unix_socket_directories='' $swift $fast" start 2>&1); then
      printf '%s\n' "$port" > "$folder/db-port"
      return
    fi
    # Somebody else may have taken the port since it was found free.
    tail -c "+$((from + 1))" "$folder/postgres.log" | grep -q "could not bind" && [ -z "$given" ] || break
  done
  { echo "PostgreSQL did not start on port $port; see $folder/postgres.log:"; tail -5 "$folder/postgres.log"; echo "$said"; } >&2
  exit 7
}

stop() {
  [ ! -f "$1/cluster/postmaster.pid" ] || as_owner "$bin/pg_ctl" -D "$1/cluster" -s -m fast -w stop
}

running() {
  as_owner "$bin/pg_ctl" -D "$1/cluster" -s status
}

case "${1:-}" in
  start) start "$2" "$3" "${4:-}" ;;
  stop) stop "$2" ;;
  running) running "$2" ;;
  free-port) free_port ;;
  *) sed -n 2,5p "$0" >&2; exit 2 ;;
esac
