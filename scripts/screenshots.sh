#!/usr/bin/env bash
# Loads a fresh demo, serves it, and takes one picture of every main view into docs/screenshots.
source "$(dirname "$0")/lib.sh"
install_packages; install_chromium; build
export ZONDA_DATA=.test/pictures
rm -rf "$ZONDA_DATA"
node --import tsx scripts/load-demo.ts
node .next/workers/serve.mjs --port 3210 > .test/pictures.log 2>&1 &
trap 'kill $!' EXIT
wait_for http://localhost:3210/sign-in
node --import tsx scripts/screenshots.ts http://localhost:3210 docs/screenshots
