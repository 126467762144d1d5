#!/bin/sh
# Brings the web part up to date, doing only what has changed since the last time.
#   web/build.sh install   the npm packages (also the fonts that files are set in)
#   web/build.sh dist      the compiled web application, in web/dist
#   web/build.sh check     lint, format and unit tests
set -eu
cd "$(dirname "$0")"
# Debian's own Node may be too old; ./run then puts a newer one under .tools
[ -d ../.tools/node_modules/node/bin ] && PATH="$(pwd)/../.tools/node_modules/node/bin:$PATH" && export PATH

# $1: file that remembers the state; the rest: command. The state comes on standard input.
unless_unchanged() {
    stamp=$1; shift
    state=$(sha256sum | cut -d' ' -f1)
    if [ -f "$stamp" ] && [ "$(cat "$stamp")" = "$state" ]; then return; fi
    "$@"
    printf '%s' "$state" > "$stamp"
}

install_packages() { npm ci --no-audit --no-fund --loglevel=error; }

install() {
    { cat package.json package-lock.json .npmrc; node --version; } \
        | unless_unchanged node_modules/.installed install_packages
}

dist() {
    install
    { find src public index.html not-found.js vite.config.ts tsconfig.json package.json -type f | LC_ALL=C sort | xargs cat; cat node_modules/.installed; } \
        | unless_unchanged node_modules/.built npm run --silent build
}

case "${1:-}" in
    install) install ;;
    dist) dist ;;
    check) install; npm run --silent lint && npm run --silent test ;;
    *) echo "usage: web/build.sh install|dist|check" >&2; exit 2 ;;
esac
