#!/usr/bin/env bash
# Installs what is missing, then: format; types (also of the routes), lint and unused code beside unit, boundary, contract, reference and use-case tests and the build; browser tests.
source "$(dirname "$0")/lib.sh"
rm -rf .test && mkdir -p .test
# What runs beside ends with this.
trap 'kill $(jobs -p) 2>/dev/null || true' EXIT

# Stories alone want the browser: it comes beside everything before them.
install_chromium > .test/browser.log 2>&1 & browser_coming=$!
step "Packages"; install_packages

step "Format"; npx biome format .
# Beside the tests and the build, one after the other so that a core is left for those: the types, also those of the routes,
# and the demo department that the stories copy, which the build has to wait for since it clears away what they need; then lint.
load_demo() { ZONDA_DATA=.test/prepared node --import tsx scripts/load-demo.ts; }
types() { npx next typegen && npx tsc --noEmit && load_demo; }
# The server's threads, which loading the demo needs.
node scripts/build-workers.mjs
types > .test/types.log 2>&1 & types_running=$!
lint() { tail --pid="$types_running" -f /dev/null; npx eslint . && npx knip; }
lint > .test/lint.log 2>&1 & lint_running=$!
# done_beside WHAT PID LOG: waits for what runs beside, and tells what it said.
done_beside() {
  local status=0
  step "$1"; wait "$2" || status=$?
  cat "$3"
  return "$status"
}
step "Unit, boundaries, contracts, reference values, use-cases"
vitest_status=0
npx vitest run --reporter=default --reporter=json --outputFile=.test/vitest.json || vitest_status=$?
done_beside "Types, the demo department" "$types_running" .test/types.log
step "Build"; build
done_beside "Lint, unused code" "$lint_running" .test/lint.log
done_beside "Browser" "$browser_coming" .test/browser.log
step "Stories in the browser"
playwright_status=0
DEMO_LOADED=1 npx playwright test || playwright_status=$?
step "Sum"
node scripts/count-tests.mjs .test/vitest.json .test/playwright.json
[ "$vitest_status" -eq 0 ] && [ "$playwright_status" -eq 0 ]
