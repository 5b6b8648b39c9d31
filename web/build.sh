#!/usr/bin/env bash
# Builds or checks the page. npm ci is skipped while the lock file is the one installed last.
# usage: build.sh build | test
set -eu
cd "$(dirname "$0")"
install() {
  local sum
  sum=$(sha256sum package-lock.json package.json .npmrc | sha256sum)
  [ -d node_modules ] && [ "$(cat node_modules/.lock-sum 2>/dev/null)" = "$sum" ] && return
  npm ci --no-progress --loglevel=error
  echo "$sum" > node_modules/.lock-sum
}
[ -z "${NIGHTBANK_SKIP_WEB:-}" ] || exit 0
case "${1:-}" in
  build)
    install
    sum=$(find src public index.html vite.config.ts package-lock.json -type f 2>/dev/null | sort | xargs sha256sum | sha256sum)
    [ -f dist/index.html ] && [ "$(cat dist/.src-sum 2>/dev/null)" = "$sum" ] && exit 0
    rm -rf target/classes/static
    npm run --silent types
    npm run --silent build -- --logLevel warn
    echo "$sum" > dist/.src-sum
    ;;
  test)
    install
    npm run --silent lint
    npm run --silent format:check -- --log-level warn
    npm run --silent test
    ;;
  *) sed -n 2,3p "$0" >&2; exit 2 ;;
esac
