#!/usr/bin/env bash
# The part of bin/restore that reads the backup; run as the workers' user.
. "$(dirname "${BASH_SOURCE[0]}")/common.sh"
. "$ROOT/bin/parts/copies.sh"
umask 077
credentials
WORK="$(mktemp -d)"
SCRATCH="mintcarry_restoring"
trap 'drop_scratch; rm -rf "$SECRET" "$WORK"' EXIT
load "$FROM/database.sql.gz" "$SCRATCH" || fail "it could not be loaded."
dump "$SCRATCH" "$WORK/rows" "$WORK/sha" >/dev/null
settled "$WORK/sha" "$WORK/rows"
php -r '$m=json_decode(file_get_contents($argv[1]),true);ksort($m["rows"]);foreach($m["rows"] as $t=>$n)echo "$t $n\n";' "$FROM/manifest.json" | sort >"$WORK/wanted"
cmp -s <(sort "$WORK/rows") "$WORK/wanted" || { diff <(sort "$WORK/rows") "$WORK/wanted" >&2 || true; fail "its tables have other rows than when it was made."; }
[ "$(cat "$WORK/sha")" = "$(php -r 'echo json_decode(file_get_contents($argv[1]),true)["sql"];' "$FROM/manifest.json")" ] || fail "what was loaded is not what was copied."
# Who was erased since the backup was made is noted, so that the erasing is done again.
: >"$WORK/erasures.sql"
if [ -n "$(mine -BNe "SELECT 1 FROM information_schema.tables WHERE table_schema='$STUDIO_DB' AND table_name='erasures'")" ]; then
  mariadb-dump --defaults-extra-file="$SECRET" --skip-comments --no-create-info --insert-ignore --no-tablespaces "$STUDIO_DB" erasures >"$WORK/erasures.sql"
fi
move() { # FROM TO
  mine -BNe "SET SESSION group_concat_max_len = 100000; SELECT CONCAT('RENAME TABLE ', GROUP_CONCAT(CONCAT('$1.', table_name, ' TO $2.', table_name))) FROM information_schema.tables WHERE table_schema = '$1'" | grep -v '^NULL$' || true
}
ASIDE="mintcarry_before_$STAMP"
AWAY="$(move "$STUDIO_DB" "$ASIDE")"
if [ -n "$AWAY" ]; then mine -e "CREATE DATABASE $ASIDE CHARACTER SET utf8mb4; $AWAY"; say "What was there is now in the database $ASIDE; drop it when you need it no more."; fi
mine -e "CREATE DATABASE IF NOT EXISTS $STUDIO_DB CHARACTER SET utf8mb4; $(move "$SCRATCH" "$STUDIO_DB")"
if [ -s "$WORK/erasures.sql" ] && [ -n "$(mine -BNe "SELECT 1 FROM information_schema.tables WHERE table_schema='$STUDIO_DB' AND table_name='erasures'")" ]; then mine "$STUDIO_DB" <"$WORK/erasures.sql"; fi
[ ! -d "$VAR/storage/app" ] || mv "$VAR/storage/app" "$VAR/storage/app-before-$STAMP"
tar -C "$VAR/storage" -xzf "$FROM/files.tar.gz" --no-same-owner
