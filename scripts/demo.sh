#!/usr/bin/env bash
# Installs what is missing, builds, creates the database, loads the demo department, serves it.
source "$(dirname "$0")/lib.sh"
PORT="${PORT:-3000}"
export ZONDA_DATA="${ZONDA_DATA:-data/demo}"

step "Packages"; install_packages
step "Build"; build
step "Demo department"
if [ "${1:-}" = "--fresh" ]; then rm -rf "$ZONDA_DATA"; fi
node --import tsx scripts/load-demo.ts
step "Zonda"
cat <<TEXT
Address     http://localhost:$PORT
Password    kestrel-ridge (for everybody)
Lead        odalys
Teachers    imre, thandeka, jonas
Marker      mirela
Students    aino.v (WT-201), goran.p (both courses, writing the Certificate now), paolo.s (WT-110)
Stop with Ctrl C. "npm run demo -- --fresh" begins again with new dates.
TEXT
exec node .next/workers/serve.mjs --host "${HOST:-localhost}" --port "$PORT"
