#!/usr/bin/env bash
# Debian's Chromium, installed where it is missing: scripts/chromium.sh tests | measurements
# Tests take the one without windows of its own, a quarter faster, or the whole one where that cannot be had; measured is what people have.
set -euo pipefail
case ${1:-} in
  tests) wanted=(chromium-headless-shell chromium) ;;
  measurements) wanted=(chromium) ;;
  *) sed -n '2,3p' "${BASH_SOURCE[0]}"; exit 2 ;;
esac
[ ! -x "/usr/bin/${wanted[0]}" ] || exit 0
if [ "$(id -u)" = 0 ]; then
  echo "installing Debian's ${wanted[0]}" >&2
  export DEBIAN_FRONTEND=noninteractive
  log=$(mktemp)
  apt-get update -qq >"$log" 2>&1 </dev/null || true
  for package in "${wanted[@]}"; do
    [ ! -x "/usr/bin/$package" ] || exit 0
    if apt-get install -y -qq "$package" >>"$log" 2>&1 </dev/null; then exit 0; fi
  done
  tail -20 "$log" >&2
fi
for package in "${wanted[@]}"; do [ ! -x "/usr/bin/$package" ] || exit 0; done
echo "Chromium is not installed; as root: apt-get install ${wanted[0]}" >&2
exit 1
