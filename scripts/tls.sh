#!/usr/bin/env bash
# Makes a certificate of its own for use outside loopback, once. Devices must be told to trust it: see the README.
# HOST_NAME: a name of the workshop's own under which the bench is reached, too; one that lacks it is made anew.
set -euo pipefail
data="${SNAVEK_DATA:-.data}"
[ -n "${TLS_KEY:-}" ] && exit 0
if [ -f "$data/tls-key.pem" ]; then
  [ -z "${HOST_NAME:-}" ] && exit 0
  openssl x509 -in "$data/tls-cert.pem" -noout -checkhost "$HOST_NAME" 2>/dev/null | grep -q "does match" && exit 0
fi
command -v openssl >/dev/null || { echo 'tls: openssl is missing: apt-get install openssl, or set TLS_KEY and TLS_CERT' >&2; exit 1; }
umask 077
mkdir -p "$data"
names="${HOST_NAME:+DNS:$HOST_NAME,}DNS:$(hostname),DNS:localhost,IP:127.0.0.1$(hostname -I 2>/dev/null | tr ' ' '\n' | sed '/^$/d; s/^/,IP:/' | tr -d '\n')"
openssl req -x509 -newkey ec -pkeyopt ec_paramgen_curve:prime256v1 -nodes -days 825 -subj "/CN=$(hostname)" -addext "subjectAltName=$names" \
  -keyout "$data/tls-key.new" -out "$data/tls-cert.pem" 2>/dev/null
mv "$data/tls-key.new" "$data/tls-key.pem"
echo "tls: made a certificate in $data/tls-cert.pem; trust it on each device that opens the app" >&2
