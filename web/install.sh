#!/bin/sh
# Installs the web packages only when the lock file asks for other ones than stand there.
set -e
cd "$(dirname "$0")"
if [ ! -f node_modules/.package-lock.json ] || [ package-lock.json -nt node_modules/.package-lock.json ]; then
  npm ci --no-fund --no-audit
  touch node_modules/.package-lock.json
fi
