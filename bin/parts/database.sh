# The private database: made, started as a user of its own, waited for, watched. Sourced by common.sh.
DB_HOME="$RUN/db"

db_socket() {
  local path="$DB_HOME/db.sock"
  if [ ${#path} -ge 100 ]; then path="${TMPDIR:-/tmp}/mintcarry-$(hash_of <(printf %s "$ROOT") | cut -c1-12).sock"; fi
  printf %s "$path"
}
DB_SOCKET="$(db_socket)"

db_alive() { [ -S "$DB_SOCKET" ] && timeout 5 mariadb-admin --no-defaults --socket="$DB_SOCKET" -u "$(id -un)" --connect-timeout=3 ping >/dev/null 2>&1; }
sql() { mariadb --no-defaults --socket="$DB_SOCKET" -u "$(id -un)" "$@"; }

free_port() { php -r '$s=stream_socket_server("tcp://127.0.0.1:0");echo explode(":",stream_socket_get_name($s,false))[1];'; }
port_taken() { php -r '$c=@stream_socket_client("tcp://127.0.0.1:'"$1"'",$e,$m,1);exit($c?0:1);'; }

# A folder that is another user's, in a folder that is ours: nothing in it is ever followed, read or run by root. What an earlier version left
# as somebody else's is handed over once, with all that is in it.
own_folder() { # USER FOLDER MODE
  [ ! -L "$2" ] || fail "$2 is a link; it must be a folder."
  mkdir -p "$2"
  [ "$1" = "$(id -un)" ] || [ "$(stat -c %U "$2")" = "$1" ] || chown -hR "$1" "$2"
  chmod "$3" "$2"
}

prepare_database_files() {
  own_folder "$DB_USER" "$DB_HOME" 755
  if [ ! -d "$VAR/db/mysql" ]; then
    say "Creating the database in var/db"
    own_folder "$DB_USER" "$VAR/db" 700
    mariadb-install-db --no-defaults --datadir="$VAR/db" --skip-test-db --auth-root-authentication-method=socket --auth-root-socket-user="$(id -un)" --user="$DB_USER" >"$VAR/db-install.log" 2>&1 \
      || { tail -n 5 "$VAR/db-install.log" >&2; fail "the database could not be created in var/db."; }
  elif ! db_alive; then own_folder "$DB_USER" "$VAR/db" 700; fi
  [ -f "$RUN/db.port" ] || free_port >"$RUN/db.port"
}

# Starts mariadbd as a child of the caller and leaves its process id in DB_PID. Its pool keeps its size, and files are read by threads of its own:
# the kernel's ring for that (io_uring) is not to be had everywhere, and a studio's database gains nothing by it.
launch_database() {
  local port
  port="$(cat "$RUN/db.port")"
  if port_taken "$port"; then free_port >"$RUN/db.port"; port="$(cat "$RUN/db.port")"; fi
  PARENT=$BASHPID
  (child "$DB_USER" "$(command -v mariadbd || echo /usr/sbin/mariadbd)" --no-defaults --datadir="$VAR/db" --socket="$DB_SOCKET" --pid-file="$DB_HOME/db.pid" --bind-address=127.0.0.1 --port="$port" \
    --innodb-flush-log-at-trx-commit=1 --innodb-lock-wait-timeout=5 --innodb-buffer-pool-size=256M --loose-innodb-buffer-pool-size-max=256M --innodb-use-native-aio=0 --max-allowed-packet=64M --character-set-server=utf8mb4 --log-error="$DB_HOME/db.log") </dev/null >/dev/null 2>&1 &
  DB_PID=$!
  note_process "$DB_PID" "$RUN/db.note"
}

# One that was left behind, or is still ending, holds the files: it ends before another begins.
end_old_database() {
  local old begin=$SECONDS
  old="$(noted_process "$RUN/db.note")"
  [ -n "$old" ] || return 0
  say "Waiting for the database of before to end"
  kill -TERM "$old" 2>/dev/null || true
  while [ -n "$(noted_process "$RUN/db.note")" ]; do
    [ $((SECONDS - begin)) -lt 60 ] || { sweep "$old"; begin=$SECONDS; }
    sleep 0.1
  done
}

# Waits as long as the database is working on it: after a crash a large one reads its log first. Says every few seconds that it still does.
await_database() {
  local begin=$SECONDS told=0
  while ! db_alive; do
    if { [ -n "${DB_PID:-}" ] && ! alive "$DB_PID"; } || { [ -z "${DB_PID:-}" ] && [ $((SECONDS - begin)) -gt 30 ]; }; then
      tail -n 6 "$DB_HOME/db.log" >&2 || true
      fail "the database did not start (its log: var/run/db/db.log)."
    fi
    if [ $((SECONDS - begin)) -ge $((told + 5)) ]; then
      told=$((SECONDS - begin))
      say "  waiting for the database, $told s: $(tail -n 1 "$DB_HOME/db.log" 2>/dev/null | cut -c1-120)"
    fi
    sleep 0.1
  done
}

# Whether it answers a question, not only a knock: one that hangs keeps its socket open.
db_answers() { [ "$(timeout 5 mariadb --no-defaults --socket="$DB_SOCKET" -u "$(id -un)" --connect-timeout=3 -BNe 'SELECT 1' 2>/dev/null)" = 1 ]; }

# Where the database that we started has ended by itself: its last words are shown, and it is started again.
revive_database() {
  if [ "$OWN_DB" = no ] || alive "$DB_PID"; then return 1; fi
  say "The database ended by itself. The end of its log:"
  tail -n 60 "$DB_HOME/db.log" >&2 || true
  sweep "$DB_PID"; launch_database; await_database
}

# Two commands that start at the same moment start one database.
have_database() {
  exec 7>"$RUN/db.lock"
  flock 7
  prepare_database_files
  if ! db_alive; then end_old_database; launch_database; OWN_DB=yes; fi
  await_database
  exec 7>&-
}

STUDIO_DB=mintcarry
DEMO_DB=mintcarry_demo
database_exists() { [ -n "$(sql -BNe "SHOW DATABASES LIKE '$1'")" ]; }
has_table() { [ -n "$(sql -BNe "SELECT 1 FROM information_schema.tables WHERE table_schema='$1' AND table_name='$2'")" ]; }

# Earlier versions kept the demo where a studio's own data belong. What holds nothing but the demo becomes the demo's.
part_demo_from_studio() {
  ! database_exists "$DEMO_DB" || return 0
  local all= move=
  ! has_table "$STUDIO_DB" studios || all="$(sql -BNe "SELECT IF(COUNT(*) = SUM(is_demo), 'demo', 'studio') FROM $STUDIO_DB.studios HAVING COUNT(*) > 0")"
  sql -e "CREATE DATABASE $DEMO_DB CHARACTER SET utf8mb4"
  if [ "$all" = demo ]; then
    say "The demo gets a database of its own: what was played with in it comes along."
    move="$(sql -BNe "SET SESSION group_concat_max_len = 100000; SELECT CONCAT('RENAME TABLE ', GROUP_CONCAT(CONCAT('$STUDIO_DB.', table_name, ' TO $DEMO_DB.', table_name))) FROM information_schema.tables WHERE table_schema = '$STUDIO_DB'")"
    sql -e "$move"
  fi
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
LOG_CHANNEL=json
SESSION_DRIVER=file
SESSION_LIFETIME=43200
SESSION_COOKIE=mintcarry
CACHE_STORE=database
DB_CONNECTION=mariadb
DB_SOCKET=$DB_SOCKET
DB_DATABASE=$DEMO_DB
DB_USERNAME=mintcarry
DB_PASSWORD=$password
EOF
    )
  fi
  # What earlier versions wrote: sessions in files (in the database every look at a screen would wait for a write to disk), the log as JSON;
  # how long a session lasts is the application's own affair.
  sed -i -e 's/^SESSION_DRIVER=database$/SESSION_DRIVER=file/' -e 's/^LOG_CHANNEL=stderr$/LOG_CHANNEL=json/' -e 's/^SESSION_LIFETIME=600$/SESSION_LIFETIME=43200/' \
    -e "s|^DB_SOCKET=.*|DB_SOCKET=$DB_SOCKET|" -e "s/^DB_DATABASE=mintcarry\$/DB_DATABASE=$DEMO_DB/" "$VAR/.env"
  [ "$WORKER" = "$(id -un)" ] || { chgrp "$WORKER" "$VAR/.env"; chmod 640 "$VAR/.env"; }
  local password name
  password="$(sed -n 's/^DB_PASSWORD=//p' "$VAR/.env")"
  sql -e "CREATE USER IF NOT EXISTS 'mintcarry'@'localhost' IDENTIFIED BY '$password'; ALTER USER 'mintcarry'@'localhost' IDENTIFIED BY '$password';"
  part_demo_from_studio
  for name in "$STUDIO_DB" mintcarry_test; do sql -e "CREATE DATABASE IF NOT EXISTS $name CHARACTER SET utf8mb4"; done
  # Its own databases and none else: the studio's, the demo's, those of tests, and those that a backup is tried in.
  sql -e "GRANT ALL ON \`mintcarry\`.* TO 'mintcarry'@'localhost'; GRANT ALL ON \`mintcarry\\_%\`.* TO 'mintcarry'@'localhost'"
  own_folder "$WORKER" "$VAR/live" 755
  own_folder "$WORKER" "$VAR/storage" 750
  own_folder "$WORKER" "$VAR/backups" 700
  (as "$WORKER" mkdir -p "$VAR/storage"/{framework/views,framework/cache,framework/sessions,logs,app})
}

# The application on the command line, as the user that serves it: root runs none of its code.
artisan() { (cd "$ROOT" && as "$WORKER" php "${PHP_FAST[@]}" artisan "$@"); }
