#!/usr/bin/env bash
# What next: twelve changes and twenty pairs over winters of 120 days, cold and warm, beside the solver's arithmetic in C.
set -eu
cd "$(dirname "$0")/.."
work=$(mktemp -d)
trap 'rm -rf "$work"' EXIT
cc -O2 -o "$work/solver" bench/solver.c -lm
mvn -q -B -Dquick -DskipTests -Dspotless.check.skip -Pbench -pl core,bench package dependency:build-classpath -Dmdep.outputFile="$work/paths"
"$work/solver"
java -cp "bench/target/classes:$(cat "$work/paths")" nightbank.bench.RankingBench
"$work/solver"
