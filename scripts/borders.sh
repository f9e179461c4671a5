#!/usr/bin/env bash
# The rings and the tree of the core: who may import what. scripts/borders.sh [FILE]: the imports are kept there as JSON.
set -euo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/.."
graph=${1:-$(mktemp)}
node_modules/.bin/depcruise --config .dependency-cruiser.cjs --output-type json app cli core forms words server demo >"$graph" || true
node_modules/.bin/depcruise-fmt --exit-code --output-type err-long "$graph"
