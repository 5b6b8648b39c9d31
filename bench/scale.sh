#!/usr/bin/env bash
# A holding with 12 probes at one reading a minute for three winters (6 M readings): how long its pages'
# requests take, and the plans of their queries.
# The readings are a sand bin's, by its own conduction (BinWinter).
# usage: scale.sh [winters]        needs curl; uses its own throw-away data and port
set -eu
here=$(cd "$(dirname "$0")/.." && pwd)
winters=${1:-3}
. "$here/bench/program.sh"
h=/api/holdings/$holding
house=11111111-2222-4333-8444-000000000000
json POST "$h/houses" '{"id":"'$house'","name":"House","design":{"skin":[{"name":"roof","looks":"UP","areaSquareMetres":18,"transmittance":5.8,"material":"single-glass"}],"volumeCubicMetres":32,"airChangesPerHour":1,"innerMassKg":8000,"innerMassMedium":"granite","innerMassAreaSquareMetres":20,"plantLimitCelsius":2,"groundCelsius":7}}' > /dev/null
sql -c "UPDATE holding SET zone = 'Europe/London'"
for s in 1 2 3; do
  probes=
  for p in 1 2 3 4; do
    kind=STORE r=0.$((p * 2))
    [ "$p" = 4 ] && { kind=AIR r=1; [ "$s" = 3 ] && kind=OUTDOOR; }
    probes="$probes${probes:+,}{\"id\":\"11111111-2222-4333-8444-0000000000$s$p\",\"kind\":\"$kind\",\"name\":\"p$p\",\"radiusFraction\":$r,\"heightFraction\":0.5}"
  done
  json POST "$h/stores" '{"id":"11111111-2222-4333-8444-00000000010'$s'","name":"Bin '$s'","houseId":"'$house'","design":{"shape":"BOX","lengthMetres":1,"widthMetres":0.7,"heightMetres":0.7,"count":1,"medium":"dry-sand","place":{"where":"HOUSE","footing":"ON_GROUND"},"floorCelsius":8,"chargeToCelsius":90,"zone":{"reachFraction":0.4,"lowFraction":0.2,"highFraction":0.8}},"probes":['"$probes"']}' > "$work/store$s"
  json POST "$h/parts" '{"id":"11111111-2222-4333-8444-00000000020'$s'","name":"Element '$s'","houseId":null,"design":{"kind":"ELEMENT","heats":[{"to":"STORE","id":"11111111-2222-4333-8444-00000000010'$s'"}],"watts":900,"surplus":false,"indoors":true,"control":{"runs":"BY_HAND"}}}' > /dev/null
done
t0=$(date +%s.%N)
days=116
(cd "$here" && mvn -q -B -Dquick -DskipTests -Dspotless.check.skip -Pbench -pl core,bench package dependency:build-classpath -Dmdep.outputFile="$work/paths")
java -cp "$here/bench/target/classes:$(cat "$work/paths")" nightbank.bench.BinWinter $days > "$work/winter.csv"
sql > /dev/null << SQL
CREATE TEMP TABLE winter (minute int, thermometer int, celsius float8);
\\copy winter FROM '$work/winter.csv' (FORMAT csv)
SELECT ensure_reading_year(y) FROM generate_series(2023, 2026) y;
CREATE TEMP TABLE made AS
SELECT p.id AS probe_id, timestamptz '2023-11-15 11:00Z' + y * interval '1 year' + minute * interval '1 minute' AS at,
       celsius - CASE p.kind WHEN 'OUTDOOR' THEN 6 ELSE 0 END AS celsius
  FROM probe p JOIN winter w ON right(p.name, 1)::int = w.thermometer, generate_series(0, $winters - 1) y
 ORDER BY 2;
\\copy made TO '$work/rows.bin' (FORMAT binary)
CREATE TABLE incoming (LIKE made);
SQL
echo "made in $(awk -v a="$t0" -v b="$(date +%s.%N)" 'BEGIN {printf "%.0f", b - a}') s"
t1=$(date +%s.%N)
sql -c "\\copy incoming FROM '$work/rows.bin' (FORMAT binary)"
sql -c "INSERT INTO reading (probe_id, at, holding_id, celsius) SELECT probe_id, at, '$holding', celsius FROM incoming" -c "DROP TABLE incoming" -c "VACUUM ANALYZE reading"
echo "$(sql -At -c 'SELECT count(*) FROM reading') readings, in $(awk -v a="$t1" -v b="$(date +%s.%N)" 'BEGIN {printf "%.0f", b - a}') s; table and index $(sql -At -c "SELECT pg_size_pretty(sum(pg_total_relation_size(inhrelid))) FROM pg_inherits WHERE inhparent = 'reading'::regclass")"
store=11111111-2222-4333-8444-000000000101
last=$(( 2023 + winters ))
run() { json POST "$h/stores/$store/runs" "{\"name\":\"$1\",\"from\":\"$2\",\"to\":\"$3\"}" | grep -oE '"id":"[^"]*' | head -1 | cut -d'"' -f4; }
two=$(run "two days" "$last-02-10T12:00:00Z" "$last-02-12T12:00:00Z")
month=$(run "a month" "$last-01-10T12:00:00Z" "$last-02-10T12:00:00Z")
winter=$(run "a winter" "$((last - 1))-11-15T12:00:00Z" "$last-03-10T12:00:00Z")
took() { # WORDS PATH
  local first again
  first=$(call GET "$2" -o "$work/out" -w '%{time_total}')
  again=$(for _ in 1 2 3 4 5; do call GET "$2" -o "$work/out" -w '%{time_total}\n'; done | sort -n | sed -n 3p)
  printf '%-44s first %6.2f s, then %6.3f s, %8d bytes\n' "$1" "$first" "$again" "$(stat -c %s "$work/out")"
}
call GET "$h/stores" > /dev/null
took "stores" "$h/stores"
took "readings of a winter, drawn meanwhile" "$h/runs/$winter/readings"
took "run sheet, two days" "$h/runs/$two/judgement"
took "run sheet, a month" "$h/runs/$month/judgement"
took "run sheet, a winter" "$h/runs/$winter/judgement"
took "runs found in two months" "$h/stores/$store/runs/found"
took "wall of nights, a winter" "$h/houses/$house/nights?from=$((last - 1))-10-01&to=$last-04-30"
took "statement of a winter, while it is judged" "$h/statement?from=$((last - 1))-11-15&to=$last-03-10&store=$store"
t2=$(date +%s)
while ! call GET "$h/statement?from=$((last - 1))-11-15&to=$last-03-10" | grep -q '"pending":0'; do sleep 2; done
echo "all days of a winter and three stores judged behind the scenes in $(( $(date +%s) - t2 )) s"
took "statement of a winter, judged" "$h/statement?from=$((last - 1))-11-15&to=$last-03-10"
took "wall of nights, judged" "$h/houses/$house/nights?from=$((last - 1))-10-01&to=$last-04-30"
took "log" "$h/events"
echo
echo "Plans"
plan() {
  echo "-- $1"
  sql -At -c "EXPLAIN (ANALYZE, COSTS OFF, TIMING OFF, SUMMARY ON, BUFFERS) $2" | grep -v '(never executed)' | sed -E 's/^/   /' | head -"${3:-14}"
}
probe=11111111-2222-4333-8444-000000000011
plan "a probe's series, one of each stretch" "SELECT r.at, r.celsius FROM (SELECT timestamptz '$((last - 1))-11-15Z' AS begin, (timestamptz '$last-03-10Z' - timestamptz '$((last - 1))-11-15Z') / 4000 AS width) s, generate_series(0, 3999) k, LATERAL (SELECT at, celsius FROM reading WHERE probe_id = '$probe' AND holding_id = '$holding' AND at >= s.begin + k * s.width AND at < s.begin + (k + 1) * s.width ORDER BY at LIMIT 1) r ORDER BY r.at" 24
plan "newest reading of a probe" "SELECT at FROM reading WHERE probe_id = '$probe' AND holding_id = '$holding' ORDER BY at DESC LIMIT 1" 12
plan "next reading of a probe after a noon" "SELECT at FROM reading WHERE probe_id = '$probe' AND holding_id = '$holding' AND at >= '$last-01-10 12:00Z' AND at < '$last-03-10 12:00Z' ORDER BY at LIMIT 1" 12
plan "a winter's lows of a house's thermometers" "WITH spell AS (SELECT probe_id, date_bin('10 minutes', at, timestamptz '2000-01-01Z') AS at, avg(celsius) AS celsius FROM reading WHERE probe_id = ANY('{11111111-2222-4333-8444-000000000014,11111111-2222-4333-8444-000000000024}') AND holding_id = '$holding' AND at >= '$((last - 1))-10-01' AND at < '$last-04-30' AND celsius BETWEEN -60 AND 60 GROUP BY 1, 2) SELECT (at AT TIME ZONE 'Europe/London' - interval '12 hours')::date AS evening, min(celsius) FROM spell GROUP BY 1" 30
plan "judged days" "SELECT * FROM judgement WHERE store_id = '$store' AND kind = 'DAY' AND subject BETWEEN '$((last - 1))-11-15' AND '$last-03-10'" 8
plan "what a reading of now touches" "SELECT store_id FROM judgement WHERE holding_id = '$holding' AND rests_to >= '$last-03-10 11:00Z' AND rests_from <= '$last-03-10 11:00Z' AND rests_on && ARRAY['probe:$probe']" 12
plan "the next piece of work" "SELECT j.id FROM job j LEFT JOIN job_turn t ON t.holding_id = j.holding_id WHERE j.kind = ANY(ARRAY['SHEET','DAY']) AND (j.state = 'WAITING' OR j.state = 'RUNNING' AND j.alive_at < now() - interval '12 seconds') ORDER BY array_position(ARRAY['SHEET','DAY'], j.kind), t.at NULLS FIRST, j.asked_at, j.rank LIMIT 1" 12
