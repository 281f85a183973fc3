# Shared by bin/start and bin/test: what to install, the private database, the served instance. Sourced, not run.
set -euo pipefail
ROOT="$(cd "$(dirname "${BASH_SOURCE[0]}")/../.." && pwd)"
VAR="$ROOT/var"
RUN="$VAR/run"
WORKER="$(id -un)"
[ "$(id -u)" = 0 ] && WORKER=www-data
PHP_FAST=(-d opcache.enable_cli=1 -d opcache.jit=tracing -d opcache.jit_buffer_size=64M)

say() { printf '%s\n' "$*"; }
fail() { printf '\nMint Carry could not go on: %s\n' "$*" >&2; exit 1; }

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
  if [ ${#want[@]} -gt 0 ]; then
    [ "$(id -u)" = 0 ] || fail "these Debian packages are missing and only root can install them. Run: sudo apt-get install --no-install-recommends ${want[*]}"
    say "Installing from Debian: ${want[*]}"
    # Keeps the packages from starting services of their own: ours run from var/, as children of this command.
    local guard=/usr/sbin/policy-rc.d made=no code=0
    if [ ! -e "$guard" ]; then printf '#!/bin/sh\nexit 101\n' >"$guard"; chmod +x "$guard"; made=yes; fi
    { apt-get update -q && DEBIAN_FRONTEND=noninteractive apt-get install -yq --no-install-recommends "${want[@]}"; } >"$VAR/apt.log" 2>&1 || code=$?
    [ "$made" = no ] || rm -f "$guard"
    [ $code = 0 ] || { tail -n 5 "$VAR/apt.log" >&2; fail "apt-get could not install ${want[*]} (all of its output: var/apt.log)."; }
  fi
  command -v composer >/dev/null || fail "Composer is not installed; install Debian's package 'composer' or the official one."
  command -v node >/dev/null && [ "$(node -p 'process.versions.node.split(".")[0]')" -ge 20 ] || fail "Node.js 20 or newer is needed."
}

stamp_differs() { [ "$(cat "$VAR/stamps/$1" 2>/dev/null)" != "$2" ]; }
stamp() { mkdir -p "$VAR/stamps"; printf '%s' "$2" >"$VAR/stamps/$1"; }
hash_of() { cat "$@" 2>/dev/null | sha256sum | cut -c1-32; }

install_packages() {
  cd "$ROOT"
  local php_hash npm_hash
  php_hash="$(hash_of composer.json)"
  npm_hash="$(hash_of package.json package-lock.json)"
  if [ ! -f vendor/autoload.php ] || stamp_differs composer "$php_hash"; then
    say "Installing PHP packages"
    COMPOSER_ALLOW_SUPERUSER=1 composer install --no-interaction --no-progress -q || fail "Composer could not install the PHP packages."
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
  mkdir -p "$VAR" "$RUN" 2>/dev/null || fail "cannot write in $ROOT; the project keeps its data in var/ beside this file."
  local free
  free="$(df -Pk "$VAR" | awk 'NR==2{print $4}')"
  [ "$free" -gt 600000 ] || fail "the disk is nearly full: $((free / 1024)) MB left, about 600 MB are needed."
  if [ "$WORKER" != "$(id -un)" ]; then
    runuser -u "$WORKER" -- test -r "$ROOT/composer.json" || fail "the web workers run as '$WORKER', who cannot read $ROOT. Move the clone to a place others may read (such as /srv), or run as an ordinary user."
  fi
}

# --- the private database --------------------------------------------------------------------------------------------
db_socket() {
  local path="$RUN/db.sock"
  if [ ${#path} -ge 100 ]; then path="${TMPDIR:-/tmp}/mintcarry-$(hash_of <(printf %s "$ROOT") | cut -c1-12).sock"; fi
  printf %s "$path"
}
DB_SOCKET="$(db_socket)"

db_alive() { [ -S "$DB_SOCKET" ] && mariadb-admin --no-defaults --socket="$DB_SOCKET" -u "$(id -un)" --connect-timeout=3 ping >/dev/null 2>&1; }
sql() { mariadb --no-defaults --socket="$DB_SOCKET" -u "$(id -un)" "$@"; }

free_port() { php -r '$s=stream_socket_server("tcp://127.0.0.1:0");echo explode(":",stream_socket_get_name($s,false))[1];'; }
port_taken() { php -r '$c=@stream_socket_client("tcp://127.0.0.1:'"$1"'",$e,$m,1);exit($c?0:1);'; }

prepare_database_files() {
  if [ ! -d "$VAR/db/mysql" ]; then
    say "Creating the database in var/db"
    mariadb-install-db --no-defaults --datadir="$VAR/db" --skip-test-db --auth-root-authentication-method=socket --auth-root-socket-user="$(id -un)" --user="$(id -un)" >"$VAR/db-install.log" 2>&1 \
      || { tail -n 5 "$VAR/db-install.log" >&2; fail "the database could not be created in var/db."; }
  fi
  [ -f "$RUN/db.port" ] || free_port >"$RUN/db.port"
}

# Starts mariadbd as a child of the caller and leaves its process id in DB_PID.
launch_database() {
  local port
  port="$(cat "$RUN/db.port")"
  if port_taken "$port"; then free_port >"$RUN/db.port"; port="$(cat "$RUN/db.port")"; fi
  setsid "$(command -v mariadbd || echo /usr/sbin/mariadbd)" --no-defaults --user="$(id -un)" --datadir="$VAR/db" --socket="$DB_SOCKET" --pid-file="$RUN/db.pid" --bind-address=127.0.0.1 --port="$port" \
    --innodb-flush-log-at-trx-commit=1 --innodb-buffer-pool-size=256M --max-allowed-packet=64M --character-set-server=utf8mb4 --log-error="$VAR/db.log" </dev/null >/dev/null 2>&1 &
  DB_PID=$!
}

await_database() {
  local i
  for i in $(seq 1 300); do db_alive && return 0; sleep 0.1; done
  tail -n 6 "$VAR/db.log" >&2 || true
  fail "the database did not start (its log: var/db.log)."
}

write_environment() {
  if [ ! -f "$VAR/.env" ]; then
    local key password
    key="$(php -r 'echo base64_encode(random_bytes(32));')"
    password="$(php -r 'echo bin2hex(random_bytes(16));')"
    ( umask 077; cat >"$VAR/.env" <<EOF
APP_NAME="Mint Carry"
APP_ENV=production
APP_DEBUG=false
APP_KEY=base64:$key
LOG_CHANNEL=stderr
SESSION_DRIVER=file
SESSION_LIFETIME=600
SESSION_COOKIE=mintcarry
CACHE_STORE=database
QUEUE_CONNECTION=sync
DB_CONNECTION=mariadb
DB_SOCKET=$DB_SOCKET
DB_DATABASE=mintcarry
DB_USERNAME=mintcarry
DB_PASSWORD=$password
EOF
    )
  fi
  # Sessions in files: in the database every look at a screen would wait for a write to disk.
  sed -i 's/^SESSION_DRIVER=database$/SESSION_DRIVER=file/' "$VAR/.env"
  [ "$WORKER" = "$(id -un)" ] || { chgrp "$WORKER" "$VAR/.env"; chmod 640 "$VAR/.env"; }
  local password name
  password="$(sed -n 's/^DB_PASSWORD=//p' "$VAR/.env")"
  sql -e "CREATE USER IF NOT EXISTS 'mintcarry'@'localhost' IDENTIFIED BY '$password'; ALTER USER 'mintcarry'@'localhost' IDENTIFIED BY '$password';"
  for name in mintcarry mintcarry_test; do
    sql -e "CREATE DATABASE IF NOT EXISTS $name CHARACTER SET utf8mb4; GRANT ALL ON $name.* TO 'mintcarry'@'localhost';"
  done
  # Where tests run side by side, each process and each served application has one of its own.
  for name in test browser; do sql -e "GRANT ALL ON \`mintcarry\\_$name\\_%\`.* TO 'mintcarry'@'localhost';"; done
  mkdir -p "$VAR/live" && { [ "$WORKER" = "$(id -un)" ] || chown "$WORKER" "$VAR/live"; }
  mkdir -p "$VAR/storage/framework/views" "$VAR/storage/framework/cache" "$VAR/storage/framework/sessions" "$VAR/storage/logs" "$VAR/storage/app"
  [ "$WORKER" = "$(id -un)" ] || chown -R "$WORKER" "$VAR/storage"
}

artisan() { (cd "$ROOT" && php "${PHP_FAST[@]}" artisan "$@"); }

# --- one served instance: php-fpm and nginx from configuration of our own --------------------------------------------
# One pool of workers. Monitors have one of their own, ahead of the screens (the priority needs root): a shot never waits for somebody who looks.
pool() { # NAME SOCKET CHILDREN NICE DIR
  cat <<EOF
[$1]
$([ "$(id -u)" = 0 ] && printf 'user = %s\ngroup = %s\nlisten.owner = %s\nprocess.priority = %s\n' "$WORKER" "$WORKER" "$WORKER" "$4")
listen = $2
pm = static
pm.max_children = $3
clear_env = no
catch_workers_output = yes
decorate_workers_output = no
php_admin_value[upload_max_filesize] = 60M
php_admin_value[post_max_size] = 64M
php_admin_value[upload_tmp_dir] = $5/tmp
php_admin_value[sys_temp_dir] = $5/tmp
php_admin_value[memory_limit] = 512M
EOF
}
# serve_configuration NAME PORT HOST
serve_configuration() {
  local dir="$RUN/$1"
  mkdir -p "$dir/tmp"
  [ "$WORKER" = "$(id -un)" ] || chown -R "$WORKER" "$dir"
  local fpm="$dir/fpm.sock"
  [ ${#fpm} -lt 95 ] || fpm="${TMPDIR:-/tmp}/mintcarry-$1-$(hash_of <(printf %s "$ROOT") | cut -c1-12).sock"
  cat >"$dir/fpm.conf" <<EOF
[global]
daemonize = no
error_log = $dir/fpm.log
pid = $dir/fpm.pid
$(pool web "$fpm" 6 8 "$dir")
$(pool feed "$fpm.feed" 3 0 "$dir")
EOF
  cat >"$dir/nginx.conf" <<EOF
$([ "$(id -u)" = 0 ] && printf 'user %s;' "$WORKER")
worker_processes 1;
daemon off;
pid $dir/nginx.pid;
error_log $dir/nginx.log warn;
events { worker_connections 512; }
http {
  types { text/html html; text/css css; text/javascript js mjs; image/svg+xml svg; font/woff2 woff2; image/png png; application/json json; text/plain txt; }
  default_type application/octet-stream;
  access_log off;
  client_max_body_size 60m;
  client_body_temp_path $dir/tmp/body;
  fastcgi_temp_path $dir/tmp/fastcgi;
  proxy_temp_path $dir/tmp/proxy;
  uwsgi_temp_path $dir/tmp/uwsgi;
  scgi_temp_path $dir/tmp/scgi;
  gzip on;
  gzip_types text/css text/javascript application/json image/svg+xml;
  server {
    listen $3:$2;
    root $ROOT/public;
    server_tokens off;
    location /live/ { alias $VAR/live/; default_type text/plain; add_header Cache-Control no-store; add_header X-Content-Type-Options nosniff; }
    location /build/ { expires 30d; add_header X-Content-Type-Options nosniff; try_files \$uri =404; }
    location / { try_files \$uri @app; }
    location ~ ^/api/bays/[0-9]+/(shots|hand)\$ {
      include /etc/nginx/fastcgi_params;
      fastcgi_param SCRIPT_FILENAME $ROOT/public/index.php;
      fastcgi_param SCRIPT_NAME /index.php;
      fastcgi_pass unix:$fpm.feed;
      fastcgi_read_timeout 60;
    }
    location @app {
      include /etc/nginx/fastcgi_params;
      fastcgi_param SCRIPT_FILENAME $ROOT/public/index.php;
      fastcgi_param SCRIPT_NAME /index.php;
      fastcgi_pass unix:$fpm;
      fastcgi_read_timeout 60;
      fastcgi_buffers 16 32k;
    }
    location ~ \.php\$ { return 404; }
    error_page 413 @large;
    location @large { default_type application/json; return 413 '{"message":"The file is too large: a launch file may have up to 12 MB. Nothing was stored."}'; }
  }
}
EOF
}

launch_fpm() { # NAME → FPM_PID
  # Configuration and routes are read once, not at every request (but by bin/dev); the copies belong to this instance alone.
  # Workers keep their connection to the database (config/database.php), and count tries and posts in memory that they share (config/cache.php).
  local cached=(DB_PERSISTENT=true LIMITER_STORE=apc) fast=(-d opcache.revalidate_freq=0)
  if [ -z "${MINT_DEV:-}" ]; then
    cached+=(APP_CONFIG_CACHE="$RUN/$1/config.php" APP_ROUTES_CACHE="$RUN/$1/routes.php" APP_EVENTS_CACHE="$RUN/$1/events.php")
    (cd "$ROOT" && for what in config route event; do env "${cached[@]}" php artisan "$what:cache" -q || exit 1; done) || fail "the configuration could not be read."
    [ "$WORKER" = "$(id -un)" ] || chown "$WORKER" "$RUN/$1"/{config,routes,events}.php
    chmod 600 "$RUN/$1"/{config,routes,events}.php
    fast=(-d opcache.revalidate_freq=2 -d opcache.preload="$ROOT/bin/parts/preload.php")
    [ "$(id -u)" != 0 ] || fast+=(-d "opcache.preload_user=$WORKER")
  fi
  setsid env "${cached[@]}" /usr/sbin/php-fpm8.2 --nodaemonize -y "$RUN/$1/fpm.conf" -d opcache.enable=1 -d opcache.jit=tracing -d opcache.jit_buffer_size=64M "${fast[@]}" -d apc.enabled=1 -d apc.shm_size=16M -d expose_php=0 </dev/null >>"$RUN/$1/fpm.out" 2>&1 &
  FPM_PID=$!
}
launch_nginx() { # NAME → NGINX_PID
  setsid /usr/sbin/nginx -e "$RUN/$1/nginx.log" -c "$RUN/$1/nginx.conf" </dev/null >>"$RUN/$1/nginx.out" 2>&1 &
  NGINX_PID=$!
}
# The simulated gauge and balance (docs/devices.md), on a loopback port of their own, unless real ones are named by MINT_GAUGE and MINT_BALANCE. Call before launch_fpm.
launch_devices() { # NAME → DEVICES_PID
  DEVICES_PID=
  if [ -n "${MINT_GAUGE:-}" ] && [ -n "${MINT_BALANCE:-}" ] && [ "$MINT_GAUGE" != "${STAND_IN:-}/gauge" ]; then return 0; fi
  [ -n "${STAND_IN:-}" ] || STAND_IN="http://127.0.0.1:$(free_port)"
  export MINT_GAUGE="${MINT_GAUGE:-$STAND_IN/gauge}" MINT_BALANCE="${MINT_BALANCE:-$STAND_IN/balance}"
  local as=()
  [ "$WORKER" = "$(id -un)" ] || as=(runuser -u "$WORKER" --)
  MINT_DEVICE_STATE="$RUN/$1/devices.json" setsid "${as[@]}" php -S "${STAND_IN#http://}" "$ROOT/devices/stand-in.php" </dev/null >"$RUN/$1/devices.out" 2>&1 &
  DEVICES_PID=$!
}
await_http() { # ADDRESS NAME
  local i
  for i in $(seq 1 150); do
    php -r 'exit(@file_get_contents($argv[1]."/up")!==false?0:1);' "$1" && return 0
    sleep 0.1
  done
  tail -n 5 "$RUN/$2/nginx.log" "$RUN/$2/fpm.log" "$RUN/$2/fpm.out" >&2 || true
  fail "the web server does not answer at $1 (logs: var/run/$2/)."
}

alive() { [ -n "${1:-}" ] && kill -0 "$1" 2>/dev/null; }
# A server runs in a process group of its own. When its master was killed, its workers would still hold the port: this ends them.
sweep() { [ -z "${1:-}" ] || kill -KILL -- "-$1" 2>/dev/null || true; }
end() { # ends a process that this command started, and waits for it
  if alive "${1:-}"; then kill -TERM "$1" 2>/dev/null || true; wait "$1" 2>/dev/null || true; fi
  sweep "${1:-}"
}
