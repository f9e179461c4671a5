#!/usr/bin/env bash
# Types: the routes' own are written first, where a route has changed since.
set -euo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/.."
stamp=.react-router/.routes
now=$(find app/routes.ts react-router.config.ts package-lock.json app/routes -type f -newer "$stamp" 2>/dev/null | head -1 || true)
if [ ! -f "$stamp" ] || ! [ -d .react-router/types ] || [ -n "$now" ]; then
  node_modules/.bin/react-router typegen 2>/dev/null >&2 || true
  mkdir -p .react-router; touch "$stamp"
fi
node node_modules/ts7/bin/tsc --noEmit
