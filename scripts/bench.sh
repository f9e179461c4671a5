#!/usr/bin/env bash
# Measures on this machine: a table on standard output, figures in bench-results.json. Takes about four minutes.
set -euo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/.."
bash scripts/install.sh
node scripts/build.mjs
bash scripts/chromium.sh measurements || echo 'bench: what is measured in the browser will fail' >&2
# with fsync: the reference is a bare commit that is on the disk
SNAVEK_PG_FAST='' bash scripts/test-db.sh node scripts/run-ts.mjs bench/bench.ts "$@"
