#!/usr/bin/env bash
# Import of a logger's file through the program, and psql \copy of the same readings, minutes apart.
# usage: import.sh [rows]        needs curl; uses its own throw-away data and port
set -eu
here=$(cd "$(dirname "$0")/.." && pwd)
rows=${1:-250000}
. "$here/bench/program.sh"
field() { sed -E "s/.*\"$1\":\"?([^\",}]*).*/\\1/"; }
store=11111111-2222-4333-8444-555555555555
json POST "/api/holdings/$holding/stores" '{"id":"'$store'","name":"Bin","houseId":null,"design":{"shape":"BOX","lengthMetres":1,"widthMetres":1,"heightMetres":1,"count":1,"medium":"dry-sand","place":{"where":"HOUSE","footing":"ON_GROUND"},"floorCelsius":8,"chargeToCelsius":90},"probes":[]}' > /dev/null
awk -v n="$rows" 'BEGIN { print "time,core,half,edge,air"; for (i = 0; i < n; i++) { t = 1609459200 + i * 60
  printf "%s,%.1f,%.1f,%.1f,%.1f\n", strftime("%Y-%m-%d %H:%M:%S", t, 1), 60 + 20 * sin(i / 700), 45 + 12 * sin(i / 700 - 1), 30 + 6 * sin(i / 700 - 2), 5 + 4 * sin(i / 230) } }' > "$work/log.csv" 2>/dev/null ||
  { echo "needs gawk (strftime)" >&2; exit 1; }
echo "file: $rows rows, $((rows * 4)) readings, $(du -h "$work/log.csv" | cut -f1)"
pid=$(cat "$work/own/program.pid")
resident() { awk -v k="$1" '$1 == k":" {printf "%d MB", $2 / 1024}' "/proc/$pid/status"; }
echo "program before: $(resident VmRSS) resident"
t0=$(date +%s.%N)
import=$(call POST "/api/holdings/$holding/stores/$store/imports" -F "file=@$work/log.csv" | grep -oE '^\{"id":"[^"]*' | cut -d'"' -f4)
t1=$(date +%s.%N)
call POST "/api/holdings/$holding/imports/$import/start" > /dev/null
while state=$(call GET "/api/holdings/$holding/imports/$import") && [ "$(field state <<< "$state")" = RUNNING ]; do sleep 0.1; done
t2=$(date +%s.%N)
echo "$(field state <<< "$state"), added $(field added <<< "$state")"
awk -v a="$t0" -v b="$t1" -v c="$t2" 'BEGIN {printf "program: taken in and understood %.1f s, read in %.1f s, in all %.1f s\n", b - a, c - b, c - a}'
echo "program peak: $(resident VmHWM) resident"
sql -c "\\copy (SELECT probe_id, at, holding_id, celsius, import_id FROM reading ORDER BY at) TO '$work/rows.csv' CSV"
sql -c "CREATE TABLE beside (LIKE reading INCLUDING ALL)"
t3=$(date +%s.%N)
sql -c "\\copy beside FROM '$work/rows.csv' CSV"
t4=$(date +%s.%N)
awk -v a="$t0" -v c="$t2" -v d="$t3" -v e="$t4" 'BEGIN {printf "psql \\copy of the same readings: %.1f s; the program takes %.1f times as long\n", e - d, (c - a) / (e - d)}'
