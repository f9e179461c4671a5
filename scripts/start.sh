#!/usr/bin/env bash
# Starts Snavek on any Debian machine with Node 20. Does all set-up; a second start takes seconds.
#   npm run demo [-- --fresh]     with demo data, in the folder .data
#   npm run workshop              a workshop of your own, in the folder .workshop: the first start prints an address and a code
# PORT (4310), HOST (127.0.0.1), DATABASE_URL (a server of your own), SNAVEK_DATA (the folder)
set -euo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/.."
what="${1:-demo}"; shift || true
case $what in
  demo) folder=.data; export SNAVEK_DEMO=1 ;;
  workshop) folder=.workshop; unset SNAVEK_DEMO ;;
  *) echo "start: unknown $what (known: demo, workshop)" >&2; exit 2 ;;
esac
export SNAVEK_DATA="${SNAVEK_DATA:-$PWD/$folder}" NODE_ENV=production LOG_LEVEL="${LOG_LEVEL:-warn}"
fresh=''
for a in "$@"; do
  case $what$a in
    demo--fresh) fresh=1 ;;
    # nothing throws a real workshop away
    *) echo "$what: unknown option $a (known: demo -- --fresh)" >&2; exit 2 ;;
  esac
done

# Asked to stop, it stops at once whatever it is doing: each step runs beside it, and is ended with all that it has started.
step='' own=''
run() { set -m; "$@" <&0 & step=$!; set +m; wait "$step"; step=''; }
finish() {
  code=$?
  trap - EXIT; trap '' INT TERM HUP
  if [ -n "$step" ]; then
    kill -TERM -- "-$step" 2>/dev/null || true
    # the app says goodbye to whoever is connected
    for _ in $(seq 1 60); do kill -0 -- "-$step" 2>/dev/null || break; sleep 0.1; done
    kill -KILL -- "-$step" 2>/dev/null || true
  fi
  [ -n "$own" ] && bash scripts/pg.sh stop
  exit "$code"
}
trap finish EXIT
trap 'exit 0' INT TERM HUP

run bash scripts/install.sh
if [ -z "${DATABASE_URL:-}" ]; then
  own=1
  [ -n "$fresh" ] && run bash scripts/pg.sh destroy
  run bash scripts/pg.sh start
  DATABASE_URL=$(bash scripts/pg.sh url); export DATABASE_URL
elif [ -n "$fresh" ]; then
  echo 'demo: --fresh starts over with the private cluster only; empty your own database yourself' >&2; exit 2
fi
run node scripts/build.mjs
case "${HOST:-127.0.0.1}" in
  127.0.0.1 | localhost | ::1) ;;
  *) bash scripts/tls.sh ;;
esac
run node server.mjs
