#!/usr/bin/env bash
# Speed and load, on a fresh database each: figures and ratios, never a verdict. BENCH_SECONDS (default 120), BENCH_STUDENTS (default 500), BENCH_KILLS (default 5), BENCH_WATCHED (default 1000).
source "$(dirname "$0")/lib.sh"
install_packages; build
mkdir -p .test
for part in search save-ratio load load-with-kills under-attack watch room placing writing mark-anew desk photos drawing speech results maths texts; do
  step "$part"
  node --import tsx scripts/bench/run.ts "$part"
done
