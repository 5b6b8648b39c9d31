#!/usr/bin/env bash
# After a change of the server's interface: writes server/openapi.json and the page's types from it.
set -eu
cd "$(dirname "$0")/.."
NIGHTBANK_SKIP_WEB=yes mvn -q -B -Dquick -Dspotless.check.skip -Dopenapi.write=true -Dtest=OpenApiTest -Dsurefire.failIfNoSpecifiedTests=false verify -pl server -am
cd web
npm run --silent api
npx prettier --write --log-level warn src/shared/api/schema.d.ts
