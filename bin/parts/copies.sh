# Copying a database out and in again, as the application's own user of the database. Sourced by bin/backup and bin/restore.
setting() { sed -n "s/^$1=//p" "$VAR/.env" | tail -n 1 | tr -d '"'; }

# The keys of an environment, or of a file that bin/backup --key-to wrote, one a line.
keys() { sed -nE 's/^(APP_KEY|APP_PREVIOUS_KEYS)=//p' "$1" | tr ',' '\n' | grep -E '^base64:.{43}=$' || true; }
# Written beside its place and moved there: no half of a key, and no way through a link.
copy_key() { # ENVIRONMENT FILE
  local part
  [ -n "$(keys "$1")" ] || fail "there is no key in $1."
  part="$(mktemp "$2.XXXXXX")" || fail "the key could not be written to $2. There is no backup."
  grep -E '^(APP_KEY|APP_PREVIOUS_KEYS)=' "$1" >"$part" && mv "$part" "$2" || fail "the key could not be written to $2. There is no backup."
}

# The password stands in a file for this process alone, never on a command line.
credentials() {
  SECRET="$(mktemp)"
  printf '[client]\nsocket=%s\nuser=%s\npassword=%s\n' "$(setting DB_SOCKET)" "$(setting DB_USERNAME)" "$(setting DB_PASSWORD)" >"$SECRET"
}
mine() { mariadb --defaults-extra-file="$SECRET" --default-character-set=utf8mb4 "$@"; }

# All of a database as it is at one moment, in an order that does not change; what is only worked out is left behind. Beside it: the rows of each
# table, and the checksum of all.
dump() { # DATABASE ROWS SHA256
  local skip=() table
  for table in cache cache_locks; do skip+=("--ignore-table=$1.$table"); done
  { mariadb-dump --defaults-extra-file="$SECRET" --single-transaction --quick --order-by-primary --skip-comments --hex-blob --no-tablespaces --default-character-set=utf8mb4 "${skip[@]}" "$1"
    mariadb-dump --defaults-extra-file="$SECRET" --no-data --skip-comments --no-tablespaces "$1" cache cache_locks 2>/dev/null || true
  } | tee >(sha256sum | cut -d' ' -f1 >"$3") >(awk '
    /^CREATE TABLE `/ { split($0, p, "`"); n[p[2]] += 0 }
    /^INSERT INTO `/ { split($0, p, "`"); t = p[2]; inside = 1; if ($0 ~ /VALUES \(/) n[t]++ ; next }
    inside && /^\(/ { n[t]++ }
    /;$/ { inside = 0 }
    END { for (t in n) print t, n[t] | "sort" }' >"$2")
}
# Both are written when the last line has gone by.
settled() { local file; for file in "$@"; do for _ in $(seq 1 600); do [ -s "$file" ] && break; sleep 0.1; done; done; sleep 0.2; }

load() { # FILE DATABASE
  mine -e "DROP DATABASE IF EXISTS $2; CREATE DATABASE $2 CHARACTER SET utf8mb4"
  { printf 'SET SESSION unique_checks=0, foreign_key_checks=0;\n'; gunzip -c "$1"; } | mine --init-command='SET SESSION autocommit=1' "$2"
}
drop_scratch() { [ -z "${SCRATCH:-}" ] || mine -e "DROP DATABASE IF EXISTS $SCRATCH" 2>/dev/null || true; }
