#!/usr/bin/env bash
# Candidates sized in a second, a winter's curve, what next, and the store solver beside the same arithmetic in C.
set -eu
cd "$(dirname "$0")/.."
work=$(mktemp -d)
trap 'rm -rf "$work"' EXIT
cc -O2 -o "$work/solver" bench/solver.c -lm
mvn -q -B -Dquick -DskipTests -Dspotless.check.skip -Pbench -pl core,bench package dependency:build-classpath -Dmdep.outputFile="$work/paths"
"$work/solver"
java -cp "bench/target/classes:$(cat "$work/paths")" nightbank.bench.SizingBench
java -cp "bench/target/classes:$(cat "$work/paths")" nightbank.bench.RankingBench
java -cp "bench/target/classes:$(cat "$work/paths")" org.openjdk.jmh.Main 'SolverBench|SizingBench' "$@"
"$work/solver"
