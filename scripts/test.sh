#!/usr/bin/env bash
# The whole test: types, lint, import boundaries, unit, integration on a throw-away cluster, browser. Installs what is missing.
set -euo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/.."
say() { printf '\n== %s\n' "$*"; }

bash scripts/install.sh
bash scripts/chromium.sh tests
say 'types'; node_modules/.bin/react-router typegen 2>/dev/null >&2 || true; node node_modules/ts7/bin/tsc --noEmit
say 'lint'; node_modules/.bin/biome check --error-on-warnings .
say "styles of Ant Design's components"; NODE_ENV=production node scripts/antd-css.mjs --check
say 'import boundaries'; node_modules/.bin/depcruise --config .dependency-cruiser.cjs app cli core forms words server demo
say 'build'; node scripts/build.mjs
say 'unit'; node_modules/.bin/vitest run --project unit --project app
say 'integration'; bash scripts/test-db.sh node_modules/.bin/vitest run --project integration
say 'attack, short'; SNAVEK_BUILT=1 bash scripts/attack.sh --n=800
say 'browser'; SNAVEK_TEST_PORT=$(node -e 'const s=require("node:net").createServer();s.listen(0,"127.0.0.1",()=>{console.log(String(s.address().port));s.close()})') bash scripts/test-db.sh node_modules/.bin/playwright test
