# Sourced by ./start and ./check: Node of the right age, and the npm packages of the lock file.
if ! command -v node >/dev/null 2>&1; then
  echo "Node.js is not installed. Mossy Cabinet needs Node 20.19 or newer, with npm." >&2
  exit 1
fi
if ! node -e 'const [a, b] = process.versions.node.split(".").map(Number); process.exit(a > 20 || (a === 20 && b >= 19) ? 0 : 1)'; then
  echo "Node $(node --version) is too old: Mossy Cabinet needs 20.19 or newer." >&2
  exit 1
fi
lock_now=$(node -p 'require("crypto").createHash("sha256").update(require("fs").readFileSync("package-lock.json")).digest("hex")')
lock_then=$(cat node_modules/.mossy-lock 2>/dev/null || true)
if [ "$lock_now" != "$lock_then" ]; then
  echo "Installing the npm packages of the lock file…"
  if ! NODE_ENV=development npm ci --no-audit --no-fund --loglevel=error; then
    echo "The npm packages could not be installed; the lines above say why. Mend that and start again." >&2
    exit 1
  fi
  echo "$lock_now" >node_modules/.mossy-lock
fi
