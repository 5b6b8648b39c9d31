#!/usr/bin/env bash
# Pictures of docs/screenshots from a running demo (./nightbank demo --fresh first), or of what is asked for.
# usage: pictures.sh                          all of docs/screenshots
#        pictures.sh FOLDER name=theme:laptop|phone:/path …     @ in a path is the holding
set -eu
cd "$(dirname "$0")/.."
address=http://127.0.0.1:${NIGHTBANK_PORT:-8642}
paths=$(mktemp)
trap 'rm -f "$paths"' EXIT
mvn -q -B -Dquick -DskipTests -Dspotless.check.skip package dependency:build-classpath -Dmdep.outputFile="$paths"
shoot() { java -cp "browser-tests/target/test-classes:$(cat "$paths")" nightbank.browser.Pictures "$address" "$@" 2>&1 | grep -v 'CDP\|Cdp' || true; }
id() { printf 'croft %s' "$1" | md5sum | awk '{
  h = $1; v = substr("89ab", (index("0123456789abcdef", substr(h, 17, 1)) - 1) % 4 + 1, 1)
  print substr(h,1,8) "-" substr(h,9,4) "-3" substr(h,14,3) "-" v substr(h,18,3) "-" substr(h,21,12) }'; } # as Java names UUIDs
if [ $# -gt 0 ]; then shoot "$@"; exit; fi
bin=$(id sand-bin)
run=$(id 'Charged on the 23rd, then two dull days')
shoot docs/screenshots \
  "tonight=day:laptop:/" "stores=day:laptop:@/stores" "store=day:laptop:@/stores/$bin" "run=day:laptop:@/runs/$run" \
  "new-house=day:laptop:@/houses/new" "nights=day:laptop:@/record/nights" "statement=day:laptop:@/record/statement" "upkeep=day:laptop:@/upkeep" \
  "next=day:laptop:@/next?usual=-4&hardest=-14&hour=10&winter=made" "sizing=day:laptop:@/sizing" "pairs=day:laptop:@/pairs?school=SAND_OR_WATER" \
  "build=day:laptop:@/stores/$bin/build" \
  "house=day:laptop:@/houses/$(id lean-to)" "file=day:laptop:+@/stores/$bin/file" \
  "phone-tonight=night:phone:/" "phone-store=day:phone:@/stores/$bin" "phone-round=night-eyes:phone:@/round" "log=day:laptop:@/log" "winter=day:laptop:@/record/winter"
