#!/usr/bin/env bash
# Installs what is missing, then: format, lint, unused code, unit, boundary, contract, reference and use-case tests, build, types (also of the routes, which the build writes down), browser tests.
source "$(dirname "$0")/lib.sh"
rm -rf .test && mkdir -p .test

step "Packages"; install_packages
step "Browser"; install_chromium
step "Format"; npx biome format .
step "Lint"; npx eslint .
step "Unused code"; npx knip
step "Unit, boundaries, contracts, reference values, use-cases"
vitest_status=0
npx vitest run --reporter=default --reporter=json --outputFile=.test/vitest.json || vitest_status=$?
step "Build"; build
step "Types"; npx tsc --noEmit
step "Stories in the browser"
playwright_status=0
npx playwright test || playwright_status=$?
step "Sum"
node scripts/count-tests.mjs .test/vitest.json .test/playwright.json
[ "$vitest_status" -eq 0 ] && [ "$playwright_status" -eq 0 ]
