#!/usr/bin/env bash
# Starts Snavek with demo data, on any Debian machine with Node 20. Does all set-up; a second start takes seconds.
#   npm run demo [-- --fresh]     PORT (4310), HOST (127.0.0.1), DATABASE_URL (a server of your own), SNAVEK_DATA (.data)
set -euo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/.."
export SNAVEK_DATA="${SNAVEK_DATA:-$PWD/.data}" SNAVEK_DEMO=1 NODE_ENV=production LOG_LEVEL="${LOG_LEVEL:-warn}"
fresh=''
for a in "$@"; do case $a in --fresh) fresh=1 ;; *) echo "demo: unknown option $a (known: --fresh)" >&2; exit 2 ;; esac; done

bash scripts/install.sh
own=''
if [ -z "${DATABASE_URL:-}" ]; then
  own=1
  [ -n "$fresh" ] && bash scripts/pg.sh destroy
  bash scripts/pg.sh start
  DATABASE_URL=$(bash scripts/pg.sh url); export DATABASE_URL
elif [ -n "$fresh" ]; then
  echo 'demo: --fresh starts over with the private cluster only; empty your own database yourself' >&2; exit 2
fi
node scripts/build.mjs

app=''
finish() {
  trap - EXIT INT TERM
  if [ -n "$app" ]; then kill -TERM "$app" 2>/dev/null || true; wait "$app" 2>/dev/null || true; fi
  [ -n "$own" ] && bash scripts/pg.sh stop
  exit "${1:-0}"
}
trap 'finish 0' INT TERM
trap 'finish $?' EXIT
case "${HOST:-127.0.0.1}" in
  127.0.0.1 | localhost | ::1) ;;
  *) bash scripts/tls.sh ;;
esac
node server.mjs &
app=$!
wait "$app"
