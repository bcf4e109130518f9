# Reaches the database of a record, whether ./start runs or not. Sourced by ./backup and ./restore.
# Needs: RUN and scripts/db.sh. Sets: DB_DIR, DB_DATA, DB_SOCKET, STARTED (yes when it was started here).

choose_record() {
  if [ "$1" = demo ]; then DB_DIR="$RUN/db"; else DB_DIR="$RUN/shop-db"; fi
  DB_DATA="$DB_DIR/data"
  DB_PORT="${UNDOKNOT_DB_PORT:-3361}"
  DB_PORT_VARIABLE=UNDOKNOT_DB_PORT
  DB_SOCKET="/tmp/undoknot-$(id -u)-$DB_PORT.sock"
  STARTED=no
}

reach_record() {
  if [ -s "$DB_DIR/pid" ] && tr '\0' ' ' 2>/dev/null <"/proc/$(cat "$DB_DIR/pid")/cmdline" | grep -qF -- "--datadir=$DB_DATA "; then
    db_sql -e 'select 1' >/dev/null 2>&1 || fail "the database runs but does not answer; see $DB_DIR/mariadb.log"
    return
  fi
  need_packages mariadb-server
  STARTED=yes
  # A large picture, written in hex, is one statement.
  db_start --max-allowed-packet=512M
}

leave_record() { [ "${STARTED:-no}" = yes ] && db_stop; STARTED=no; }
