#!/usr/bin/env bash
# Installs what package-lock.json names, when it changed since the last time.
set -euo pipefail
stamp=node_modules/.installed-lock
if ! cmp -s package-lock.json "$stamp" 2>/dev/null; then
  npm ci --no-audit --no-fund
  cp package-lock.json "$stamp"
fi
