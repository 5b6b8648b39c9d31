#!/usr/bin/env bash
# Speed of a night, an ensemble and the advice (JMH), with what they allocate.
# usage: night.sh [JMH arguments]
set -eu
cd "$(dirname "$0")/.."
paths=$(mktemp)
trap 'rm -f "$paths"' EXIT
mvn -q -B -Dquick -DskipTests -Dspotless.check.skip -Pbench -pl core,bench package dependency:build-classpath -Dmdep.outputFile="$paths"
java -cp "bench/target/classes:$(cat "$paths")" org.openjdk.jmh.Main -prof gc "$@"
