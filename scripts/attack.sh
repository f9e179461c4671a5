#!/usr/bin/env bash
# Broken, extreme and forged inputs against a throw-away server: scripts/attack.sh [--n=4000] [--seed=N]
set -euo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/.."
bash scripts/install.sh
[ -n "${SNAVEK_BUILT:-}" ] || node scripts/build.mjs
SNAVEK_ATTACK_PORT=$(node -e 'const s=require("node:net").createServer();s.listen(0,"127.0.0.1",()=>{console.log(String(s.address().port));s.close()})')
export SNAVEK_ATTACK_PORT
bash scripts/test-db.sh node scripts/run-ts.mjs attack/attack.ts "$@"
