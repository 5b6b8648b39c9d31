#!/usr/bin/env bash
# How long a day, two, a month and a winter of one store take to be judged.
set -eu
cd "$(dirname "$0")/.."
work=$(mktemp -d)
trap 'rm -rf "$work"' EXIT
mvn -q -B -Dquick -DskipTests -Dspotless.check.skip -Pbench -pl core,bench package dependency:build-classpath -Dmdep.outputFile="$work/paths"
java -cp "bench/target/classes:$(cat "$work/paths")" nightbank.bench.JudgeBench
