# What the machine must have; missing packages are installed from the system's own (Debian) after saying so.
# Sourced by ./nightbank.

apt_missing=()

want() { # PACKAGE COMMAND...: the package unless all commands are there
  local package=$1 command
  shift
  for command in "$@"; do
    command -v "$command" > /dev/null 2>&1 || { apt_missing+=("$package"); return; }
  done
}

install_missing() {
  [ ${#apt_missing[@]} -gt 0 ] || return 0
  command -v apt-get > /dev/null 2>&1 ||
    { echo "Missing: ${apt_missing[*]}. There is no apt-get here; install them your system's way and call again." >&2; exit 1; }
  local -a as=()
  if [ "$(id -u)" != 0 ]; then
    command -v sudo > /dev/null 2>&1 ||
      { echo "Missing: ${apt_missing[*]}. Install them as root: apt-get install ${apt_missing[*]}" >&2; exit 1; }
    as=(sudo)
    echo "Installing needs an administrator's rights; sudo may ask for your password."
  fi
  echo "Installing from the system's packages: ${apt_missing[*]}"
  "${as[@]}" apt-get update -qq
  "${as[@]}" env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "${apt_missing[@]}" > /dev/null ||
    { echo "apt-get could not install ${apt_missing[*]}; what it said stands above." >&2; exit 1; }
  apt_missing=()
}

node_serves() { # COMMAND: is a Node that the page's build runs on (20.19 or later)
  local version
  version=$("$1" --version 2>/dev/null) || return 1
  awk -F. '{v = substr($1, 2); exit !(v > 20 || v == 20 && $2 >= 19)}' <<< "$version"
}

# Debian 12 has Node 18; the npm registry has Node 20 as a package.
need_node() {
  local own=$here/.data/node
  [ ! -x "$own/bin/node" ] || PATH=$own/bin:$PATH
  if ! node_serves node; then
    want npm npm
    install_missing
    local machine
    case $(uname -m) in
      x86_64) machine=x64 ;;
      aarch64) machine=arm64 ;;
      *) echo "Node 20.19 or later is missing, and there is no package of it for $(uname -m). Install it and call again." >&2; exit 1 ;;
    esac
    echo "Fetching Node 20 from the npm registry into .data/node"
    mkdir -p "$own"
    (cd "$own" && npm pack --silent "node-linux-$machine@20.20.2" > /dev/null && tar -xzf node-linux-*.tgz --strip-components=1 && rm -f node-linux-*.tgz) ||
      { echo "Node 20 could not be fetched from the npm registry." >&2; exit 1; }
    PATH=$own/bin:$PATH
    node_serves node || { echo "The Node in .data/node does not run here." >&2; exit 1; }
  fi
  export PATH
}

jdk_17() { # puts a JDK 17 first in PATH, also where another Java is the system's own
  local jdk
  javac -version 2>&1 | grep -q '^javac 17\.' && return
  for jdk in /usr/lib/jvm/*17*; do
    if [ -x "$jdk/bin/javac" ]; then
      export JAVA_HOME=$jdk PATH=$jdk/bin:$PATH
      return
    fi
  done
  return 1
}

need_build() {
  jdk_17 || apt_missing+=(openjdk-17-jdk-headless)
  want maven mvn
  [ -x /usr/lib/postgresql/15/bin/initdb ] || apt_missing+=(postgresql-15)
  want npm npm
  install_missing
  jdk_17 || { echo "There is no JDK 17 here, and installing it did not help." >&2; exit 1; }
  need_node
}

need_browser() {
  [ -x /usr/bin/chromium ] || apt_missing+=(chromium)
  [ -x /usr/bin/chromedriver ] || apt_missing+=(chromium-driver)
  want libnss3-tools certutil
  want iproute2 ip
  install_missing
}

# The demo's and the tests' broker: a small one of Debian's, started on loopback.
need_broker() {
  [ -x /usr/sbin/mosquitto ] || apt_missing+=(mosquitto)
  install_missing
}

need_home() {
  want openssl openssl
  install_missing
}
