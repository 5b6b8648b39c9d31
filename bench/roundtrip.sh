#!/usr/bin/env bash
# A holding of five million readings goes out through a slow reader, is taken away, comes in again and goes out
# once more: the two files must be equal byte for byte. Beside it: the same readings by \copy out and in.
# usage: roundtrip.sh [readings]   needs curl; uses its own throw-away data and port
set -eu
here=$(cd "$(dirname "$0")/.." && pwd)
readings=${1:-5000000}
. "$here/bench/program.sh"
h=/api/holdings/$holding
since() { awk -v a="$1" -v b="$(date +%s.%N)" 'BEGIN {printf "%.1f", b - a}'; }
file() { # a file that has just been written: where it is fetched
  local id far
  id=$(json POST "$h/file" '' | sed -E 's/.*"id":"([^"]*)".*/\1/')
  while :; do
    far=$(call GET "$h/file/$id")
    case $far in *'"DONE"'*) break ;; *'"WAITING"'* | *'"RUNNING"'*) sleep 0.2 ;; *) echo "$far" >&2; exit 1 ;; esac
  done
  printf '%s/file/%s/content' "$h" "$id"
}
probes=
for p in 1 2 3 4; do
  probes="$probes${probes:+,}{\"id\":\"11111111-2222-4333-8444-00000000000$p\",\"kind\":\"STORE\",\"name\":\"p$p\",\"radiusFraction\":0.$p,\"heightFraction\":0.5}"
done
json POST "$h/stores" '{"id":"11111111-2222-4333-8444-000000000100","name":"Bin","houseId":null,"design":{"shape":"BOX","lengthMetres":1,"widthMetres":0.7,"heightMetres":0.7,"count":1,"medium":"dry-sand","place":{"where":"HOUSE","footing":"ON_GROUND"},"floorCelsius":8,"chargeToCelsius":90,"zone":{"reachFraction":0.4,"lowFraction":0.2,"highFraction":0.8}},"probes":['"$probes"']}' > /dev/null
each=$((readings / 4))
sql > /dev/null << SQL
SELECT ensure_reading_year(y) FROM generate_series(2023, 2026) y;
INSERT INTO reading (probe_id, at, holding_id, celsius)
SELECT p.id, timestamptz '2023-10-01Z' + n * interval '1 minute', p.holding_id,
       round((40 + 20 * sin(n / 700.0 + p.radius_fraction) + 0.1 * (hashint4(n) % 10))::numeric, 1)::float8
  FROM probe p, generate_series(0, $each - 1) n;
VACUUM ANALYZE reading;
SQL
echo "$(sql -At -c 'SELECT count(*) FROM reading') readings"
t=$(date +%s.%N); sql -c "\\copy (SELECT * FROM reading) TO '$work/rows' (FORMAT binary)" > /dev/null; out=$(since "$t")
t=$(date +%s.%N); f=$(file); call GET "$f" --limit-rate 8M -o "$work/first.json"; echo "out through 8 MB/s: $(since "$t") s, $(stat -c %s "$work/first.json") bytes"
t=$(date +%s.%N); f=$(file); call GET "$f" -o "$work/again.json"; echo "out as fast as it goes: $(since "$t") s; \\copy $out s"
cmp "$work/first.json" "$work/again.json"
sql -c "DELETE FROM holding WHERE id = '$holding'" -c "TRUNCATE reading" > /dev/null
t=$(date +%s.%N); call POST /api/holdings/file -F "file=@$work/first.json" -o "$work/brought"; in=$(since "$t")
cat "$work/brought"; echo
sql -c "CREATE TABLE incoming (LIKE reading INCLUDING ALL)" > /dev/null
t=$(date +%s.%N); sql -c "\\copy incoming FROM '$work/rows' (FORMAT binary)" > /dev/null; echo "in: $in s; \\copy with its index $(since "$t") s"
sql -c "DROP TABLE incoming" > /dev/null
f=$(file); call GET "$f" -o "$work/second.json"
cmp "$work/first.json" "$work/second.json" && echo "equal byte for byte"
