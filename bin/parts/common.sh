# Shared by bin/start and bin/test: what to install, the private database, the served instance. Sourced, not run.
set -euo pipefail
# The workers read what is made here; what is secret is made with a mask of its own.
umask 022
ROOT="$(cd "$(dirname "${BASH_SOURCE[0]}")/../.." && pwd)"
VAR="$ROOT/var"
RUN="$VAR/run"
# Nobody's work is done with more rights than it needs: as root, the application runs as one user and the database as another, and root
# itself runs nothing that either of them can write.
WORKER="$(id -un)"; DB_USER="$(id -un)"
[ "$(id -u)" != 0 ] || { WORKER=www-data; DB_USER=mysql; }
PHP_FAST=(-d opcache.enable_cli=1 -d opcache.jit=tracing -d opcache.jit_buffer_size=64M)

say() { printf '%s\n' "$*"; }
fail() { printf '\nMint Carry could not go on: %s\n' "$*" >&2; exit 1; }
# as USER COMMAND…: replaces this process; nothing of root's stays behind it. Call it in a subshell.
as() {
  local user="$1"; shift
  [ "$user" = "$(id -un)" ] && exec "$@"
  exec setpriv --reuid="$user" --regid="$(id -g "$user")" --init-groups -- "$@"
}
# A child that ends when whoever started it ends, however that ends: nothing runs unsupervised. It holds none of our locks. Set PARENT=$BASHPID
# before the subshell: where that one was killed before the child asked to be told of it, the child ends too.
child() { # USER COMMAND…
  local user="$1" who=(); shift
  [ "$user" = "$(id -un)" ] || who=(--reuid="$user" --regid="$(id -g "$user")" --init-groups)
  exec setsid setpriv "${who[@]}" --pdeathsig TERM -- sh -c '[ "$PPID" = "$0" ] || exit 1; exec "$@"' "$PARENT" "$@" 7>&- 8>&- 9>&-
}
# When a process began, in ticks since the machine did: with its number this names one process and no later one.
began() { awk '{sub(/^.*\) /,""); print $20}' "/proc/$1/stat" 2>/dev/null || true; }
note_process() { printf '%s %s\n' "$1" "$(began "$1")" >"$2"; }
# The process of a note, where it is the one that was noted.
noted_process() {
  local pid= start=
  [ ! -f "$1" ] || read -r pid start <"$1" || true
  if [ -n "$pid" ] && [ -n "$start" ] && [ "$(began "$pid")" = "$start" ]; then printf %s "$pid"; fi
}

# Whether another process holds a lock of Debian's packages.
dpkg_is_busy() {
  local lock
  for lock in /var/lib/dpkg/lock-frontend /var/lib/dpkg/lock /var/lib/apt/lists/lock; do
    [ ! -e "$lock" ] || ! awk -v inode="$(stat -c %i "$lock")" '$6 ~ ":" inode "$" { found = 1 } END { exit !found }' /proc/locks || return 0
  done
  return 1
}
# Waits for another process that installs packages, and says so; then installs these. Ten minutes at most.
apt_install() { # PACKAGES…
  local begin=$SECONDS told=-15 wait=(-o DPkg::Lock::Timeout=600)
  say "Installing from Debian: $*"
  while dpkg_is_busy && [ $((SECONDS - begin)) -lt 600 ]; do
    [ $((SECONDS - told)) -lt 15 ] || { told=$SECONDS; say "  Another process is installing Debian packages; waiting for it to end."; }
    sleep 1
  done
  apt-get "${wait[@]}" update -q >"$VAR/apt.log" 2>&1 \
    && DEBIAN_FRONTEND=noninteractive apt-get "${wait[@]}" install -yq --no-install-recommends "$@" >>"$VAR/apt.log" 2>&1
}

# --- what must be on the machine -------------------------------------------------------------------------------------
install_debian_packages() {
  local want=() ext have
  have="$(php -m 2>/dev/null || true)"
  command -v mariadbd >/dev/null || [ -x /usr/sbin/mariadbd ] || want+=(mariadb-server mariadb-client)
  [ -x /usr/sbin/php-fpm8.2 ] || want+=(php8.2-fpm)
  [ -x /usr/sbin/nginx ] || want+=(nginx-light)
  # The headless build, unless the full browser is there already (bin/parts/browser.mjs).
  [ -x /usr/bin/chromium-headless-shell ] || [ -x /usr/bin/chromium ] || [ "${1:-}" != with-browser ] || want+=(chromium-headless-shell)
  for ext in pdo_mysql:mysql mbstring:mbstring intl:intl dom:xml curl:curl zip:zip apcu:apcu gd:gd; do
    grep -qix "${ext%%:*}" <<<"$have" || want+=("php8.2-${ext##*:}")
  done
  command -v php >/dev/null || want+=(php8.2-cli)
  command -v unzip >/dev/null || want+=(unzip)
  command -v openssl >/dev/null || want+=(openssl)
  # The square codes on paper.
  command -v qrencode >/dev/null || want+=(qrencode)
  # For the tests that serve a studio for real.
  [ "${1:-}" != with-browser ] || { command -v curl >/dev/null || want+=(curl); command -v pgrep >/dev/null || want+=(procps); command -v pdftotext >/dev/null || want+=(poppler-utils); }
  if [ ${#want[@]} -gt 0 ]; then
    [ "$(id -u)" = 0 ] || fail "these Debian packages are missing and only root can install them. Run: sudo apt-get install --no-install-recommends ${want[*]}"
    # Keeps the packages from starting services of their own: ours run from var/, as children of this command.
    local guard=/usr/sbin/policy-rc.d made=no code=0
    if [ ! -e "$guard" ]; then printf '#!/bin/sh\nexit 101\n' >"$guard"; chmod +x "$guard"; made=yes; fi
    apt_install "${want[@]}" || code=$?
    [ "$made" = no ] || rm -f "$guard"
    [ $code = 0 ] || { tail -n 5 "$VAR/apt.log" >&2; fail "apt-get could not install ${want[*]} (all of its output: var/apt.log)."; }
  fi
  command -v composer >/dev/null || fail "Composer is not installed; install Debian's package 'composer' or the official one."
  command -v node >/dev/null && [ "$(node -p 'process.versions.node.split(".")[0]')" -ge 20 ] || fail "Node.js 20 or newer is needed."
}

stamp_differs() { [ "$(cat "$VAR/stamps/$1" 2>/dev/null)" != "$2" ]; }
stamp() { mkdir -p "$VAR/stamps"; printf '%s' "$2" >"$VAR/stamps/$1"; }
hash_of() { cat "$@" 2>/dev/null | sha256sum | cut -c1-32; }

install_packages() { # [--no-dev]: what serves others carries no tools of development
  cd "$ROOT"
  local php_hash npm_hash
  php_hash="$(hash_of composer.json packages.txt)${1:-}"
  npm_hash="$(hash_of package.json package-lock.json)"
  if [ ! -f vendor/autoload.php ] || stamp_differs composer "$php_hash"; then
    say "Installing PHP packages"
    # What was written down of the packages of before may name some that are not there any more.
    rm -f bootstrap/cache/packages.php bootstrap/cache/services.php
    # Composer writes no lock file here: packages.txt names every package of the tree with its version, and each is asked for by it.
    local package version pins=()
    while read -r package version; do pins+=(--with "$package:$version"); done <packages.txt
    COMPOSER_ALLOW_SUPERUSER=1 composer update --no-interaction --no-progress -q ${1:-} "${pins[@]}" \
      || fail "Composer could not install the PHP packages as packages.txt records them."
    # Which packages have something for the framework is written down in bootstrap/cache, which the workers cannot write.
    MINT_STORAGE=tests php artisan package:discover -q || fail "the framework could not read its packages."
    # Some packages unpack as readable by their owner alone; the web workers must read them too.
    [ "$WORKER" = "$(id -un)" ] || chmod -R a+rX vendor
    stamp composer "$php_hash"
  fi
  if [ ! -d node_modules ] || stamp_differs npm "$npm_hash"; then
    say "Installing front-end packages"
    PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD=1 npm ci --no-audit --no-fund --loglevel=error >"$VAR/npm.log" 2>&1 || { tail -n 8 "$VAR/npm.log" >&2; fail "npm could not install the front-end packages."; }
    stamp npm "$npm_hash"
  fi
}

build_front_end() {
  cd "$ROOT"
  local now
  now="$(find resources vite.config.ts svelte.config.js tsconfig.json package-lock.json -type f -print0 | sort -z | xargs -0 cat | sha256sum | cut -c1-32)"
  if [ ! -f public/build/manifest.json ] || stamp_differs build "$now"; then
    say "Building the front end"
    npm run --silent build >"$VAR/build.log" 2>&1 || { tail -n 20 "$VAR/build.log" >&2; fail "the front end did not build."; }
    [ "$WORKER" = "$(id -un)" ] || chmod -R a+rX public/build
    stamp build "$now"
  fi
}

check_ground() {
  case "$ROOT" in *[!a-zA-Z0-9_./-]*) fail "the path '$ROOT' has a space or another sign that the servers' settings cannot hold; move the clone to a path of letters, digits, dots and dashes." ;; esac
  mkdir -p "$VAR" "$RUN" 2>/dev/null || fail "cannot write in $ROOT; the project keeps its data in var/ beside this file."
  local free
  free="$(df -Pk "$VAR" | awk 'NR==2{print $4}')"
  [ "$free" -gt 600000 ] || fail "the disk is nearly full: $((free / 1024)) MB left, about 600 MB are needed."
  if [ "$WORKER" != "$(id -un)" ]; then
    # A clone that was made under a strict mask: its files are no secret, and the workers read them.
    if ! (as "$WORKER" test -r "$ROOT/composer.json" -a -r "$ROOT/app/Models"); then
      chmod a+rx "$ROOT" "$VAR" "$RUN"
      find "$ROOT" -mindepth 1 -maxdepth 1 ! -name '.*' ! -name var ! -type l -exec chmod -R a+rX {} +
    fi
    (as "$WORKER" test -r "$ROOT/composer.json") || fail "the web workers run as '$WORKER', who cannot read $ROOT. Move the clone to a place others may read (such as /srv), or run as an ordinary user."
  fi
}

. "$ROOT/bin/parts/database.sh"
. "$ROOT/bin/parts/serve.sh"
