#!/usr/bin/env bash
# Installs the npm packages when they are missing or the lockfile has changed since.
set -euo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/.."
node -e 'const [a, b] = process.versions.node.split(".").map(Number); if (a < 20 || (a === 20 && b < 19)) { console.error(`Node ${process.versions.node} is too old: Snavek needs 20.19 or newer.`); process.exit(1); }'
stamp=node_modules/.snavek-lock
if [ ! -f "$stamp" ] || ! cmp -s package-lock.json "$stamp"; then
  echo 'installing npm packages' >&2
  NODE_ENV=development npm ci --no-audit --no-fund --loglevel=error
  cp package-lock.json "$stamp"
fi
