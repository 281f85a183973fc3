# One served instance: php-fpm and nginx from configuration of our own. Sourced by common.sh.
# What root reads stands in var/run/NAME, which is root's; what the workers write stands in folders of theirs beneath it.

# One pool of workers. Monitors have one of their own, ahead of the screens (the priority needs root): a shot never waits for somebody who looks.
# A request is ended within so many seconds by the wall clock, whatever it waits for: nobody reads its answer any more, and its place is free.
# php-fpm looks for such requests three times in the time that it is given.
WALL_SECONDS="${MINT_WALL_SECONDS:-60}"
pool() { # NAME SOCKET CHILDREN NICE DIR
  cat <<EOF
[$1]
$([ "$(id -u)" = 0 ] && printf 'user = %s\ngroup = %s\nlisten.owner = %s\nprocess.priority = %s\n' "$WORKER" "$WORKER" "$WORKER" "$4")
listen = $2
pm = static
pm.max_children = $3
clear_env = no
request_terminate_timeout = $((WALL_SECONDS * 3 / 4))s
catch_workers_output = yes
decorate_workers_output = no
php_admin_value[upload_max_filesize] = 60M
php_admin_value[post_max_size] = 64M
php_admin_value[upload_tmp_dir] = $5/tmp
php_admin_value[sys_temp_dir] = $5/tmp
php_admin_value[memory_limit] = 512M
php_admin_value[mysqlnd.net_read_timeout] = 45
EOF
}

# The same headers on every answer, whoever gives it: a page, a file, or an error of the web server's own.
headers() {
  cat <<EOF
add_header Content-Security-Policy "default-src 'self'; img-src 'self' data: blob:; object-src 'none'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'" always;
add_header X-Content-Type-Options nosniff always;
add_header Referrer-Policy same-origin always;
add_header X-Frame-Options DENY always;
$([ "$1" = no ] || printf 'add_header Strict-Transport-Security "max-age=31536000" always;\n')
EOF
}
# The web server says them itself (headers.conf), so that each is said once.
hide_headers() {
  local name
  for name in Content-Security-Policy X-Content-Type-Options Referrer-Policy X-Frame-Options Strict-Transport-Security; do printf 'fastcgi_hide_header %s; ' "$name"; done
}

# serve_configuration NAME PORT HOST: also read are SERVER_NAMES (whom it answers to), TLS_CERT and TLS_KEY, REDIRECT_PORT, SECURE (yes or no),
# CLOSED_TO_PROXIES (yes: whoever says that it forwards is turned away).
serve_configuration() {
  local dir="$RUN/$1" name
  [ ! -L "$dir" ] || fail "$dir is a link; it must be a folder."
  mkdir -p "$dir"
  # Earlier versions let the workers own all of it.
  [ "$WORKER" = "$(id -un)" ] || chown -h "$(id -un)" "$dir"
  chmod 755 "$dir"
  rm -rf "$dir/cache" "$dir/tmp" "$dir/fpm.conf" "$dir/nginx.conf" "$dir/headers.conf"
  for name in "$dir"/{fpm.log,fpm.out,nginx.log,nginx.out,devices.out,clock.out,judge.out}; do
    [ ! -L "$name" ] && { [ ! -e "$name" ] || [ "$(stat -c %U "$name")" = "$(id -un)" ]; } || rm -f "$name"
  done
  for name in cache tmp; do own_folder "$WORKER" "$dir/$name" 750; done
  for name in body fastcgi proxy uwsgi scgi; do own_folder "$WORKER" "$dir/$name" 700; done
  local fpm="$dir/fpm.sock"
  [ ${#fpm} -lt 95 ] || fpm="${TMPDIR:-/tmp}/mintcarry-$1-$(hash_of <(printf %s "$ROOT") | cut -c1-12).sock"
  headers "${SECURE:-no}" >"$dir/headers.conf"
  cat >"$dir/fpm.conf" <<EOF
[global]
daemonize = no
error_log = $dir/fpm.log
pid = $dir/fpm.pid
$(pool web "$fpm" 6 8 "$dir")
$(pool feed "$fpm.feed" 3 0 "$dir")
EOF
  local listen="$3:$2" tls="" own="" redirect=""
  [ -z "${TLS_CERT:-}" ] || { listen="$listen ssl"; tls="ssl_certificate $TLS_CERT; ssl_certificate_key $TLS_KEY; ssl_protocols TLSv1.2 TLSv1.3; ssl_session_cache shared:tls:2m; ssl_session_tickets off;"; }
  [ "${CLOSED_TO_PROXIES:-no}" = no ] || own='if ($http_x_forwarded_for) { return 421; } if ($http_forwarded) { return 421; } if ($http_via) { return 421; }'
  [ -z "${REDIRECT_PORT:-}" ] || redirect="server { listen $3:$REDIRECT_PORT; server_name ${SERVER_NAMES:-localhost}; return 301 https://\$host$([ "$2" = 443 ] || printf ':%s' "$2")\$request_uri; }"
  cat >"$dir/nginx.conf" <<EOF
$([ "$(id -u)" = 0 ] && printf 'user %s;' "$WORKER")
worker_processes 1;
daemon off;
pid $dir/nginx.pid;
error_log $dir/nginx.log crit;
events { worker_connections 512; }
http {
  types { text/html html; text/css css; text/javascript js mjs; image/svg+xml svg; font/woff2 woff2; image/png png; application/json json; text/plain txt; }
  default_type application/octet-stream;
  access_log off;
  client_max_body_size 60m;
  client_body_temp_path $dir/body;
  fastcgi_temp_path $dir/fastcgi;
  proxy_temp_path $dir/proxy;
  uwsgi_temp_path $dir/uwsgi;
  scgi_temp_path $dir/scgi;
  gzip on;
  gzip_types text/css text/javascript application/json image/svg+xml;
  server_tokens off;
  $tls
  # Whoever asks for another name than ours is not answered: neither a tunnel nor a name that somebody points here.
  server {
    listen $listen default_server;
    server_name _;
    include $dir/headers.conf;
    return 421 "This server answers only to its own name.\n";
  }
  $redirect
  server {
    listen $listen;
    server_name ${SERVER_NAMES:-localhost 127.0.0.1 [::1]};
    root $ROOT/public;
    include $dir/headers.conf;
    $own
    location /live/ { alias $VAR/live/; default_type text/plain; include $dir/headers.conf; add_header Cache-Control no-store always; }
    location /build/ { expires 30d; include $dir/headers.conf; try_files \$uri =404; }
    location / { try_files \$uri @app; }
    location ~ ^/api/bays/[0-9]+/(shots|hand)\$ {
      include /etc/nginx/fastcgi_params;
      fastcgi_param SCRIPT_FILENAME $ROOT/public/index.php;
      fastcgi_param SCRIPT_NAME /index.php;
      fastcgi_pass unix:$fpm.feed;
      fastcgi_read_timeout $WALL_SECONDS;
      $(hide_headers)
    }
    location @app {
      include /etc/nginx/fastcgi_params;
      fastcgi_param SCRIPT_FILENAME $ROOT/public/index.php;
      fastcgi_param SCRIPT_NAME /index.php;
      fastcgi_pass unix:$fpm;
      fastcgi_read_timeout $WALL_SECONDS;
      fastcgi_buffers 16 32k;
      $(hide_headers)
    }
    location ~ \.php\$ { return 404; }
    error_page 413 @large;
    location @large { include $dir/headers.conf; default_type application/json; return 413 '{"message":"The file is too large: a launch file may have up to 12 MB. Nothing was stored."}'; }
    error_page 502 503 504 =503 @away;
    location @away { include $dir/headers.conf; default_type application/json; add_header Retry-After 5 always; return 503 '{"message":"The studio’s server is starting or too busy to answer. Nothing was changed; what you typed is still on this screen. Try again in a moment."}'; }
  }
}
EOF
}

launch_fpm() { # NAME → FPM_PID
  # Configuration and routes are read once, not at every request (but by bin/dev); the copies belong to this instance alone, and are made and
  # read by the workers' user, never by root.
  # Workers keep their connection to the database (config/database.php), and count tries and posts in memory that they share (config/cache.php).
  local dir="$RUN/$1" cached=(DB_PERSISTENT=true LIMITER_STORE=apc) fast=(-d opcache.revalidate_freq=0)
  if [ -z "${MINT_DEV:-}" ]; then
    cached+=(APP_CONFIG_CACHE="$dir/cache/config.php" APP_ROUTES_CACHE="$dir/cache/routes.php" APP_EVENTS_CACHE="$dir/cache/events.php")
    # Where php-fpm ended and starts again they are there.
    [ -f "$dir/cache/events.php" ] || (cd "$ROOT" && as "$WORKER" env "${cached[@]}" bash -c 'umask 077; for what in config route event; do php artisan "$what:cache" -q || exit 1; done') || fail "the configuration could not be read."
    fast=(-d opcache.revalidate_freq=2 -d opcache.preload="$ROOT/bin/parts/preload.php")
    [ "$(id -u)" != 0 ] || fast+=(-d "opcache.preload_user=$WORKER")
  fi
  PARENT=$BASHPID
  (child "$(id -un)" env "${cached[@]}" /usr/sbin/php-fpm8.2 --nodaemonize -y "$dir/fpm.conf" -d opcache.enable=1 -d opcache.jit=tracing -d opcache.jit_buffer_size=64M "${fast[@]}" -d apc.enabled=1 -d apc.shm_size=16M -d expose_php=0) </dev/null >>"$dir/fpm.out" 2>&1 &
  FPM_PID=$!
}
launch_nginx() { # NAME → NGINX_PID
  PARENT=$BASHPID
  (child "$(id -un)" /usr/sbin/nginx -e "$RUN/$1/nginx.log" -c "$RUN/$1/nginx.conf") </dev/null >>"$RUN/$1/nginx.out" 2>&1 &
  NGINX_PID=$!
}
# What is due by the clock: backups, pruning, what a studio keeps no longer. The framework's own scheduler, as the workers' user.
launch_clock() { # NAME → CLOCK_PID
  PARENT=$BASHPID
  (cd "$ROOT" && child "$WORKER" php artisan schedule:work) </dev/null >>"$RUN/$1/clock.out" 2>&1 &
  CLOCK_PID=$!
}
# Those who judge fittings ahead of the question (docs/decisions/026): the framework's own queue worker, after everybody else, on all cores but one.
launch_judge() { # NAME NUMBER → JUDGE_PIDS[NUMBER]
  PARENT=$BASHPID
  # A worker ends by itself: after an hour, with too much memory, without the database. A shell of its own begins it again, and ends with us.
  (cd "$ROOT" && child "$WORKER" nice -n 15 sh -c 'while :; do setpriv --pdeathsig TERM "$@"; sleep 1; done' judge php "${PHP_FAST[@]}" -d memory_limit=1G artisan queue:work --queue=looked,hit,further --sleep=0.25 --timeout=50 --memory=384 --max-time=3600) </dev/null >>"$RUN/$1/judge.out" 2>&1 &
  JUDGE_PIDS[$2]=$!
}
launch_judges() { # NAME
  local i
  for ((i = 0; i < ${MINT_JUDGES:-$(($(nproc) > 2 ? $(nproc) - 1 : 1))}; i++)); do launch_judge "$1" "$i"; done
}
# The simulated gauge and balance (docs/devices.md), on a loopback port of their own, unless real ones are named by MINT_GAUGE and MINT_BALANCE. Call before launch_fpm.
launch_devices() { # NAME → DEVICES_PID
  DEVICES_PID=
  if [ -n "${MINT_GAUGE:-}" ] && [ -n "${MINT_BALANCE:-}" ] && [ "$MINT_GAUGE" != "${STAND_IN:-}/gauge" ]; then return 0; fi
  [ -n "${STAND_IN:-}" ] || STAND_IN="http://127.0.0.1:$(free_port)"
  export MINT_GAUGE="${MINT_GAUGE:-$STAND_IN/gauge}" MINT_BALANCE="${MINT_BALANCE:-$STAND_IN/balance}"
  PARENT=$BASHPID
  (child "$WORKER" env MINT_DEVICE_STATE="$RUN/$1/cache/devices.json" php -S "${STAND_IN#http://}" "$ROOT/devices/stand-in.php") </dev/null >"$RUN/$1/devices.out" 2>&1 &
  DEVICES_PID=$!
}
await_http() { # ADDRESS NAME [SERVER NAME]
  local i
  for i in $(seq 1 150); do
    php -r '$c=stream_context_create(["ssl"=>["verify_peer"=>false,"verify_peer_name"=>false],"http"=>["header"=>"Host: ".$argv[2]]]);exit(@file_get_contents($argv[1]."/up",false,$c)!==false?0:1);' "$1" "${3:-127.0.0.1}" && return 0
    sleep 0.1
  done
  tail -n 5 "$RUN/$2/nginx.log" "$RUN/$2/fpm.log" "$RUN/$2/fpm.out" >&2 || true
  fail "the web server does not answer at $1 (logs: var/run/$2/)."
}
# Logs of the servers are kept twice, to ten megabytes.
rotate_logs() { # NAME
  local log
  for log in "$RUN/$1"/{fpm.log,fpm.out,nginx.log,nginx.out,devices.out,clock.out,judge.out}; do
    if [ -f "$log" ] && [ ! -L "$log" ] && [ "$(stat -c %s "$log")" -gt 10000000 ]; then cp "$log" "$log.1"; : >"$log"; fi
  done
}

alive() { [ -n "${1:-}" ] && kill -0 "$1" 2>/dev/null; }
# A server runs in a process group of its own. When its master was killed, its workers would still hold the port: this ends them.
sweep() { [ -z "${1:-}" ] || kill -KILL -- "-$1" 2>/dev/null || true; }
end() { # ends a process that this command started, and waits for it
  if alive "${1:-}"; then kill -TERM "$1" 2>/dev/null || true; wait "$1" 2>/dev/null || true; fi
  sweep "${1:-}"
}
