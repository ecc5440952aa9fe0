# Sourced by the two commands: stops with one line where Node.js is missing or of the wrong version.
if ! command -v node >/dev/null 2>&1; then
  echo "Jaw Tilt needs Node.js 20.19 or newer (below 25), which is not on this machine." >&2
  exit 1
fi
node_version=$(node -p 'process.versions.node')
node_major=${node_version%%.*}
node_rest=${node_version#*.}
node_minor=${node_rest%%.*}
if [ "$node_major" -lt 20 ] || [ "$node_major" -ge 25 ] || { [ "$node_major" -eq 20 ] && [ "$node_minor" -lt 19 ]; }; then
  echo "Jaw Tilt needs Node.js 20.19 or newer (below 25); this is $node_version." >&2
  exit 1
fi
