#!/usr/bin/env bash
# A throw-away PostgreSQL cluster for one command: scripts/test-db.sh COMMAND [ARGS]
set -euo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/.."
SNAVEK_DATA=$(mktemp -d "${TMPDIR:-/tmp}/snavek-test.XXXXXX")
export SNAVEK_DATA SNAVEK_PG_FAST="${SNAVEK_PG_FAST-1}"
chmod 711 "$SNAVEK_DATA"
# a worker of the tests after the first has a cluster inside this folder: server/testing/worker-cluster.ts
stop() { SNAVEK_DATA=$1 bash scripts/pg.sh stop 2>/dev/null || true; }
finish() { code=$?; trap - EXIT; for one in "$SNAVEK_DATA"/worker-* "$SNAVEK_DATA"; do if [ -d "$one" ]; then stop "$one"; fi; done; rm -rf "$SNAVEK_DATA"; exit "$code"; }
trap finish EXIT
trap 'exit 130' INT TERM
bash scripts/pg.sh start
DATABASE_URL=$(bash scripts/pg.sh url snavek_test); export DATABASE_URL
"$@"
