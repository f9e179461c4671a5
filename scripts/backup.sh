#!/usr/bin/env bash
# npm run backup [-- FILE]     all that the workshop has in one file, while the app runs (a file in SNAVEK_DATA/backups where none is named)
# npm run restore -- FILE      brings it back where nothing is yet: a new folder, or an empty database of your own
# SNAVEK_DATA (.workshop), DATABASE_URL (a server of your own)
set -euo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/.."
verb="$1"; shift
[ "$verb" = backup ] || [ $# = 1 ] || { echo 'restore: name the file, as in: npm run restore -- backup.tar' >&2; exit 2; }
[ $# -le 1 ] || { echo "$verb: one file" >&2; exit 2; }
# where the file is looked for, whatever folder npm runs this in
[ $# = 0 ] || case $1 in /*) ;; *) set -- "${INIT_CWD:-$PWD}/$1" ;; esac
export SNAVEK_DATA="${SNAVEK_DATA:-$PWD/.workshop}" NODE_ENV=production LOG_LEVEL="${LOG_LEVEL:-warn}"
bash scripts/install.sh
if [ -z "${DATABASE_URL:-}" ]; then
  if ! bash scripts/pg.sh status 2>/dev/null; then
    bash scripts/pg.sh start
    trap 'bash scripts/pg.sh stop' EXIT
  fi
  DATABASE_URL=$(bash scripts/pg.sh url); export DATABASE_URL
fi
node scripts/run-ts.mjs server/db/backup/command.ts "$verb" "$@"
