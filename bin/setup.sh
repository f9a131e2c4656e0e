# Shared by the commands of this folder: installs what a bare Debian machine lacks, once.
RUN_PACKAGES=(postgresql libflite1 espeak-ng fluidsynth timgm6mb-soundfont apertium-eng-spa fonts-noto-core fonts-droid-fallback fonts-nanum)
TEST_PACKAGES=(chromium ffmpeg poppler-utils webp)

# Containers forbid Python to keep what it compiled; every process would then compile all of Cut Reel again.
unset PYTHONDONTWRITEBYTECODE

fail() { echo "cutreel: $*" >&2; exit 1; }

as_root() { if [ "$(id -u)" = 0 ]; then "$@"; else sudo "$@"; fi; }

# Debian packages, named as arguments.
need_debian() {
  local missing=()
  for package in "$@"; do
    dpkg-query -W -f='${Status}' "$package" 2>/dev/null | grep -q 'ok installed' || missing+=("$package")
  done
  [ ${#missing[@]} = 0 ] && return
  if [ "$(id -u)" != 0 ] && ! sudo -n true 2>/dev/null; then
    fail "these Debian packages are missing: ${missing[*]}. Install them with: sudo apt-get install ${missing[*]}"
  fi
  echo "installing Debian packages: ${missing[*]}"
  # No cluster of Debian's own is wanted beside the project's.
  if [ ! -e /etc/postgresql-common/createcluster.conf ]; then
    as_root mkdir -p /etc/postgresql-common
    echo "create_main_cluster = false" | as_root tee /etc/postgresql-common/createcluster.conf >/dev/null
  fi
  local log; log=$(mktemp)
  export DEBIAN_FRONTEND=noninteractive
  { as_root apt-get update -qq && as_root apt-get install -y -qq --no-install-recommends "${missing[@]}"; } >"$log" 2>&1 </dev/null ||
    { tail -5 "$log" >&2; fail "the Debian packages could not be installed: ${missing[*]}"; }
  rm -f "$log"
}

# The Python environment from a lock file with hashes; nothing is done when it is as the lock says.
need_python() {
  local lock=$1 stamp; stamp="$(sha256sum "$root/$lock" "$root/pyproject.toml" | sha256sum | cut -c1-40) $lock"
  command -v python3 >/dev/null || fail "Python 3.11 or newer is missing. Install the Debian package python3."
  python3 -c 'import sys; sys.exit(sys.version_info < (3, 11))' || fail "Python 3.11 or newer is needed; this is $(python3 --version)."
  if grep -qxF "$stamp" "$root/.venv/.installed" 2>/dev/null; then return; fi
  echo "installing Python packages"
  python3 -c 'import ensurepip' 2>/dev/null || need_debian python3-venv
  [ -x "$root/.venv/bin/python" ] || python3 -m venv "$root/.venv"
  "$root/.venv/bin/python" -m pip install --quiet --disable-pip-version-check --require-hashes --only-binary :all: -r "$root/$lock" 2>"$root/.venv/pip.log" ||
    { tail -5 "$root/.venv/pip.log" >&2; fail "the Python packages could not be installed"; }
  echo "$root/src" >"$root/.venv/lib/$(ls "$root/.venv/lib" | grep -m1 python)/site-packages/cutreel-src.pth"
  "$root/.venv/bin/python" -m cutreel.running.compile 2>"$root/.venv/compile.log" ||
    { tail -5 "$root/.venv/compile.log" >&2; fail "what is compiled for this machine could not be"; }
  echo "$stamp" >>"$root/.venv/.installed"
}

# The front end from its lock file, built when its sources changed.
need_web() {
  command -v npm >/dev/null || fail "Node.js with npm is missing. Install Node.js 20.19 or newer."
  local lock sources; lock=$(sha256sum "$root/web/package-lock.json" | cut -c1-40)
  if [ "$(cat "$root/web/node_modules/.lock-stamp" 2>/dev/null)" != "$lock" ]; then
    echo "installing front-end packages"
    (cd "$root/web" && npm ci --no-audit --no-fund --loglevel=error >&2) || fail "the front-end packages could not be installed"
    echo "$lock" >"$root/web/node_modules/.lock-stamp"
  fi
  sources=$(cd "$root/web" && find src public index.html vite.config.ts package-lock.json -type f 2>/dev/null | sort | xargs sha256sum | sha256sum | cut -c1-40)
  if [ "$(cat "$root/web/dist/.source-stamp" 2>/dev/null)" != "$sources" ]; then
    echo "building the front end"
    (cd "$root/web" && npx --no-install vite build --logLevel error >&2) || fail "the front end could not be built"
    echo "$sources" >"$root/web/dist/.source-stamp"
  fi
}
