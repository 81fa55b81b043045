#!/usr/bin/env bash
# Installs what is missing, then: format; lint, unused code and types (also of the routes) beside unit, boundary, contract, reference and use-case tests; build, browser tests.
source "$(dirname "$0")/lib.sh"
rm -rf .test && mkdir -p .test

step "Packages"; install_packages
step "Browser"; install_chromium

step "Format"; npx biome format .
# Lint and the like keep one core busy, the tests the other and whatever is left. The demo department that the stories copy is loaded there too.
load_demo() { ZONDA_DATA=.test/prepared node --import tsx scripts/load-demo.ts; }
checks() { npx eslint . && npx knip && npx next typegen && npx tsc --noEmit && load_demo; }
checks > .test/checks.log 2>&1 & checks_running=$!
step "Unit, boundaries, contracts, reference values, use-cases"
vitest_status=0
npx vitest run --reporter=default --reporter=json --outputFile=.test/vitest.json || vitest_status=$?
step "Lint, unused code, types, the demo department"
checks_status=0; wait "$checks_running" || checks_status=$?
cat .test/checks.log
[ "$checks_status" -eq 0 ]
step "Build"; build
step "Stories in the browser"
playwright_status=0
DEMO_LOADED=1 npx playwright test || playwright_status=$?
step "Sum"
node scripts/count-tests.mjs .test/vitest.json .test/playwright.json
[ "$vitest_status" -eq 0 ] && [ "$playwright_status" -eq 0 ]
