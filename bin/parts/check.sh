# What is missing before others are let in: bin/start --serve … --check. Sourced by bin/start; changes nothing. MISSING is 0 where nothing is.
MISSING=0
good() { printf '  fine     %s\n' "$*"; }
lacks() { printf '  MISSING  %s\n' "$*"; MISSING=1; }
advise() { printf '  advised  %s\n' "$*"; }
say "What a studio needs before others are let in:"
# --- the way in
if [ -n "$CERT" ]; then
  if openssl x509 -in "$CERT" -noout -checkend 0 >/dev/null 2>&1; then
    if openssl x509 -in "$CERT" -noout -checkend 1209600 >/dev/null 2>&1; then good "the certificate is good until $(openssl x509 -in "$CERT" -noout -enddate | cut -d= -f2)"
    else advise "the certificate ends within two weeks: $(openssl x509 -in "$CERT" -noout -enddate | cut -d= -f2)"; fi
  else lacks "a certificate that is good now: this one ended $(openssl x509 -in "$CERT" -noout -enddate | cut -d= -f2)"; fi
  if openssl x509 -in "$CERT" -noout -checkhost "$NAME" 2>/dev/null | grep -q "does match"; then good "it is made for $NAME"; else lacks "a certificate for $NAME: this one is for another name"; fi
  case "$(stat -c %a "$KEY")" in *00|*40) good "its key is read by few" ;; *) lacks "the key's file is open to others: chmod 600 $KEY" ;; esac
  [ -n "$REDIRECT" ] || advise "whoever types the name without https finds nothing: --redirect 80 leads them here"
elif [ -n "$PROXY" ]; then good "TLS is the proxy's, at $PROXY; it must set X-Forwarded-For and X-Forwarded-Proto anew, and pass Host"
else advise "this is for this machine alone: for others give --name with --cert and --key, or --behind a proxy"; fi
# --- the machine
if [ "$(id -u)" = 0 ]; then
  good "workers run as $WORKER, the database as $DB_USER"
  FOUND="$(find "$ROOT" -path "$VAR" -prune -o \( -user "$WORKER" -o -user "$DB_USER" \) -print -quit 2>/dev/null)"
  if [ -z "$FOUND" ]; then good "neither of them owns a file of the program"; else lacks "files of the program belong to those who serve it ($FOUND): chown -R root them"; fi
  FOUND="$(find "$ROOT" -path "$VAR" -prune -o -path "$ROOT/node_modules" -prune -o -type f -perm -o+w -print -quit 2>/dev/null)"
  if [ -z "$FOUND" ]; then good "nobody else may write the program's files"; else lacks "files that anybody may write ($FOUND): chmod -R o-w"; fi
else advise "everything runs as $(id -un): as root, the database and the workers would each run as a user of their own"; fi
FREE=$(($(df -Pk "$VAR" | awk 'NR==2{print $4}') / 1000000))
if [ "$FREE" -ge 5 ]; then good "$FREE GB of disk are free"; else lacks "room: $FREE GB of disk are free, 5 are wanted"; fi
PULSE="$VAR/storage/framework/judging-$STUDIO_DB"
if [ -n "$(find "$PULSE" -newermt '-60 seconds' 2>/dev/null)" ]; then good "a worker judges ahead of the question"; else advise "no worker judges ahead (bin/start runs it): screens judge by themselves, which takes longer"; fi
# --- the data
if [ -f "$VAR/.env" ]; then
  grep -q '^APP_KEY=base64:.' "$VAR/.env" && good "there is a key (var/.env); keep a copy of it apart: bin/backup --key-to FILE" || lacks "a key in var/.env"
  grep -q '^APP_DEBUG=true' "$VAR/.env" && lacks "APP_DEBUG=false: now errors show the program's insides" || good "errors show nothing of the program's insides"
else advise "var/.env is made by the first start"; fi
if db_alive && database_exists "$STUDIO_DB" && has_table "$STUDIO_DB" users && has_table "$STUDIO_DB" sign_ins; then
  OWNERS="$(sql -BNe "SELECT COUNT(*) FROM $STUDIO_DB.users WHERE role='owner' AND removed_at IS NULL")"
  BARE="$(sql -BNe "SELECT COUNT(*) FROM $STUDIO_DB.users WHERE role='owner' AND removed_at IS NULL AND totp_at IS NULL")"
  [ "$OWNERS" -gt 0 ] && good "$OWNERS owners can sign in" || lacks "an owner: bin/artisan mint:fitter \"Studio name\" \"Owner's name\" owner@example.org"
  [ "$BARE" = 0 ] || advise "$BARE owners have no second factor: Account, in the application"
else advise "the database is not running, or has no tables yet: start once, then check again"; fi
TO="$(sed -n 's/^MINT_BACKUP_TO=//p' "$VAR/.env" 2>/dev/null | tail -n 1)"; TO="${TO:-$VAR/backups}"
NEWEST="$(ls -1d "$TO"/mintcarry-*/ 2>/dev/null | tail -n 1 || true)"
if [ -z "$NEWEST" ]; then lacks "a backup: bin/backup"; elif [ -n "$(find "$NEWEST" -maxdepth 0 -mmin +2160)" ]; then lacks "a backup of the last day and a half: the newest is $(basename "$NEWEST")"; else good "the newest backup is $(basename "$NEWEST")"; fi
[ "$(stat -c %d "$TO" 2>/dev/null)" != "$(stat -c %d "$VAR")" ] || advise "backups lie on the same disk as the data ($TO): set MINT_BACKUP_TO in var/.env, or copy them away"
grep -q '^MAIL_HOST=.' "$VAR/.env" 2>/dev/null && good "links can be sent by mail" || advise "no mail server is named (MAIL_HOST): links are shown to the owner, which is enough"
grep -q '^MINT_METRICS_TOKEN=.' "$VAR/.env" 2>/dev/null && good "/metrics has a token" || advise "no token for /metrics (MINT_METRICS_TOKEN): it is closed to all"
[ "$MISSING" = 0 ] && say "Nothing is missing." || say "Something is missing: see above."
