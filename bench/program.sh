# Sourced by the benches: the program on throw-away data and a port of its own, one keeper, calls and SQL.
# Wants $here; leaves $work, $holding, call, json and sql, and takes everything away at the end.
work=$(mktemp -d /tmp/nightbank-bench.XXXXXX)
chmod 755 "$work"
export NIGHTBANK_DATA=$work NIGHTBANK_PORT=${NIGHTBANK_PORT:-8699}
trap '"$here/nightbank" stop > /dev/null; rm -rf "$work"' EXIT
"$here/nightbank" start > /dev/null
base=http://127.0.0.1:$NIGHTBANK_PORT
jar=$work/cookies
call() { # METHOD PATH [curl arguments]
  local method=$1 path=$2
  shift 2
  curl -s -b "$jar" -c "$jar" -H "X-XSRF-TOKEN: $(awk '$6 == "XSRF-TOKEN" {print $7}' "$jar" 2>/dev/null)" -X "$method" "$@" "$base$path"
}
json() { call "$1" "$2" -H 'Content-Type: application/json' -d "$3"; }
call GET /api/me > /dev/null
json POST /api/setup '{"code":"'"$(cat "$work/own/files/setup-code")"'","login":"bench","name":"Bench","password":"three plain words","holding":{"name":"Bench","latitude":57,"longitude":-3,"zone":"UTC"}}' > /dev/null
json POST /api/session '{"login":"bench","password":"three plain words"}' > "$work/me"
holding=$(grep -oE '"holdings":\[\{"id":"[^"]*' "$work/me" | cut -d'"' -f6)
export PGPASSWORD
PGPASSWORD=$(cat "$work/own/password")
sql() { psql -q -h 127.0.0.1 -p "$(cat "$work/own/db-port")" -U nightbank -d postgres -v ON_ERROR_STOP=1 "$@"; }
