# Shared by the scripts: where we are, and what has to be there first.
set -euo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/.."
export NEXT_TELEMETRY_DISABLED=1 PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD=1

step() { printf "\n== %s (%d s)\n" "$*" "$SECONDS"; }

# Packages as the lock file names them; nothing is done when they are there already.
install_packages() {
  local stamp=node_modules/.zonda-lock
  if [ -f "$stamp" ] && cmp -s package-lock.json "$stamp"; then
    echo "Packages are installed."
  else
    npm ci --no-audit --no-fund
    cp package-lock.json "$stamp"
  fi
}

# Debian's Chromium, which prints and takes the pictures, and the same without a window, which the browser tests drive: it
# asks less of the machine.
install_chromium() {
  local missing=()
  [ -x /usr/bin/chromium ] || missing+=(chromium)
  [ -x /usr/bin/chromium-headless-shell ] || missing+=(chromium-headless-shell)
  if [ ${#missing[@]} -eq 0 ]; then
    echo "Chromium is installed."
  else
    apt-get update -qq
    DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "${missing[@]}"
  fi
}

# Builds the application unless the last build is of the same sources.
build() {
  local stamp=.next/zonda-sources
  local now
  now=$(find src package-lock.json next.config.ts tsconfig.json -type f ! -name '*.test.ts' -print0 | sort -z | xargs -0 sha256sum | sha256sum)
  if [ -f .next/BUILD_ID ] && [ -f "$stamp" ] && [ "$(cat "$stamp")" = "$now" ]; then
    echo "The build is current."
  else
    npm run build --silent
    echo "$now" > "$stamp"
  fi
}

# wait_for ADDRESS: until something answers there, at most 60 s.
wait_for() {
  for _ in $(seq 120); do
    curl -fsS -o /dev/null "$1" 2>/dev/null && return 0
    sleep 0.5
  done
  echo "Nothing answers at $1" >&2
  return 1
}
