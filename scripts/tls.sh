#!/usr/bin/env bash
# Makes a certificate of its own for use outside loopback, once. Devices must be told to trust it: see the README.
set -euo pipefail
data="${SNAVEK_DATA:-.data}"
[ -n "${TLS_KEY:-}" ] && exit 0
[ -f "$data/tls-key.pem" ] && exit 0
command -v openssl >/dev/null || { echo 'tls: openssl is missing: apt-get install openssl, or set TLS_KEY and TLS_CERT' >&2; exit 1; }
umask 077
mkdir -p "$data"
names="DNS:$(hostname),DNS:localhost,IP:127.0.0.1$(hostname -I 2>/dev/null | tr ' ' '\n' | sed '/^$/d; s/^/,IP:/' | tr -d '\n')"
openssl req -x509 -newkey ec -pkeyopt ec_paramgen_curve:prime256v1 -nodes -days 825 -subj "/CN=$(hostname)" -addext "subjectAltName=$names" \
  -keyout "$data/tls-key.new" -out "$data/tls-cert.pem" 2>/dev/null
mv "$data/tls-key.new" "$data/tls-key.pem"
echo "tls: made a certificate in $data/tls-cert.pem; trust it on each device that opens the app" >&2
