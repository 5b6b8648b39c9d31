#!/usr/bin/env bash
# jOOQ code from the migrations: they are run on a throw-away PostgreSQL and its catalogue is read.
# usage: generate.sh CLASSPATH      (called by the build; skipped while nothing changed)
set -eu
here=$(cd "$(dirname "$0")" && pwd)
out="$here/target/generated-sources/jooq"
stamp="$here/target/jooq.sha256"
sum=$(cat "$here"/src/main/resources/db/migration/*.sql "$here/jooq.xml" "$0" | sha256sum)
if [ -d "$out" ] && [ "$(cat "$stamp" 2>/dev/null)" = "$sum" ]; then exit 0; fi
pg="$here/../tools/pg.sh"
folder=$(mktemp -d /tmp/nightbank-codegen.XXXXXX)
trap '"$pg" stop "$folder" || true; rm -rf "$folder"' EXIT
"$pg" start "$folder" trust
port=$(cat "$folder/db-port")
for file in $(ls "$here"/src/main/resources/db/migration/*.sql | sort -V); do
  psql -q -v ON_ERROR_STOP=1 -h 127.0.0.1 -p "$port" -U nightbank -d postgres -f "$file"
done
rm -rf "$out"
mkdir -p "$out"
sed -e "s#@PORT@#$port#; s#@OUT@#$out#" "$here/jooq.xml" > "$folder/jooq.xml"
java -Dorg.jooq.no-logo=true -Dorg.jooq.no-tips=true -cp "$1" org.jooq.codegen.GenerationTool "$folder/jooq.xml" > "$here/target/jooq.log" 2>&1 ||
  { tail -30 "$here/target/jooq.log" >&2; exit 1; }
echo "$sum" > "$stamp"
