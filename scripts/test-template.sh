#!/usr/bin/env bash
# Makes the cluster that tests begin with: scripts/test-template.sh FOLDER
# scripts/test-db.sh and each further worker take a copy of FOLDER where SNAVEK_TEMPLATE names it.
set -euo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/.."
export SNAVEK_DATA=$1 SNAVEK_PG_FAST=1
mkdir -p "$SNAVEK_DATA"; chmod 711 "$SNAVEK_DATA"
trap 'bash scripts/pg.sh stop' EXIT
bash scripts/pg.sh start
DATABASE_URL=$(bash scripts/pg.sh url snavek_test); export DATABASE_URL
node scripts/run-ts.mjs server/testing/make-template.ts
bash scripts/pg.sh stop; trap - EXIT
# each copy finds a port of its own
sed -i 's/^PORT=.*/PORT=/' "$SNAVEK_DATA/pg.conf"
