#!/usr/bin/env bash
# A throw-away PostgreSQL cluster for one command: scripts/test-db.sh COMMAND [ARGS]
# Ended by TERM or INT it ends the command and whatever that has started, and leaves no cluster behind.
set -euo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/.."
# in memory where there is some: nothing of it is to last
room=${TMPDIR:-/tmp}
[ -n "${SNAVEK_PG_FAST-1}" ] && [ -d /dev/shm ] && [ "$(df --output=avail -m /dev/shm | tail -1)" -gt 1500 ] && room=/dev/shm
SNAVEK_DATA=$(mktemp -d "$room/snavek-test.XXXXXX")
export SNAVEK_DATA SNAVEK_PG_FAST="${SNAVEK_PG_FAST-1}"
chmod 711 "$SNAVEK_DATA"
child=''
# a worker of the tests after the first has a cluster inside this folder: server/testing/worker-cluster.ts
stop() { SNAVEK_DATA=$1 bash scripts/pg.sh stop 2>/dev/null || true; }
finish() {
  code=$?
  trap - EXIT; trap '' INT TERM
  if [ -n "$child" ]; then
    kill -TERM -- "-$child" 2>/dev/null || true
    for _ in $(seq 1 30); do kill -0 -- "-$child" 2>/dev/null || break; sleep 0.1; done
    kill -KILL -- "-$child" 2>/dev/null || true
  fi
  for one in "$SNAVEK_DATA"/worker-* "$SNAVEK_DATA"; do if [ -d "$one" ]; then stop "$one"; fi; done
  rm -rf "$SNAVEK_DATA"
  exit "$code"
}
trap finish EXIT
trap 'exit 143' TERM
trap 'exit 130' INT
# begun with the models and the demo workshop, where somebody has made them once for several: scripts/test-template.sh
if [ -n "${SNAVEK_TEMPLATE:-}" ]; then cp -a "$SNAVEK_TEMPLATE/." "$SNAVEK_DATA/"; fi
bash scripts/pg.sh start
DATABASE_URL=$(bash scripts/pg.sh url snavek_test); export DATABASE_URL
# a group of its own: a signal to this script reaches all of it, and nothing of it twice
set -m; "$@" <&0 & child=$!; set +m
wait "$child"
