# Starts and stops a MariaDB of its own on loopback. Sourced by ./start, ./dev, ./test and bench/load.
# Needs: DB_DIR (folder) and DB_DATA (data in it), DB_PORT, DB_EXTRA_SQL (more to prepare, may be empty). Sets: UNDOKNOT_DB_URL, UNDOKNOT_DB_USER, UNDOKNOT_DB_PASSWORD.

say() { printf '%s\n' "$*"; }
fail() { printf 'Undo Knot: %s\n' "$*" >&2; exit 1; }

# Installs Debian packages when it may; otherwise says the one line that helps.
need_packages() {
  missing=""
  for package in "$@"; do
    dpkg-query -W -f='${Status}' "$package" 2>/dev/null | grep -q "ok installed" || missing="$missing $package"
  done
  [ -z "$missing" ] && return
  if [ "$(id -u)" = 0 ]; then
    say "Installing$missing (once)"
    apt_log="$RUN/apt.log"
    { apt-get update -qq && DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends $missing; } >"$apt_log" 2>&1 </dev/null \
      || fail "could not install$missing; see $apt_log, or run: apt-get install$missing"
  else
    fail "packages are missing. Run once: sudo apt-get install -y --no-install-recommends$missing"
  fi
}

need_tool() { command -v "$1" >/dev/null 2>&1 || fail "$1 is missing. $2"; }

need_build_tools() {
  need_tool java "Install a JDK 17 or newer, for instance: apt-get install openjdk-17-jdk-headless"
  need_tool javac "A JDK is needed, not only a runtime: apt-get install openjdk-17-jdk-headless"
  need_tool mvn "Install Maven 3.8 or newer: apt-get install maven"
  need_tool node "Install Node.js 20 or newer"
  need_tool npm "Install npm, which comes with Node.js"
  java_major=$(java -version 2>&1 | sed -n 's/.*version "\([0-9]*\).*/\1/p' | head -1)
  [ "${java_major:-0}" -ge 17 ] || fail "Java 17 or newer is needed, this is $java_major. Point JAVA_HOME and PATH at a newer one."
  node_major=$(node -p 'process.versions.node.split(".")[0]')
  [ "$node_major" -ge 20 ] || fail "Node.js 20 or newer is needed, this is $node_major."
}

need_space() {
  free_mb=$(df -Pm "$1" | awk 'NR==2 {print $4}')
  [ "$free_mb" -ge "$2" ] || fail "only $free_mb MB are free in $1, $2 MB are needed. Make room and start again."
}

DB_EXTRA_SQL=""

port_taken() { (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }

db_sql() { mariadb --no-defaults --socket="$DB_SOCKET" --user=root "$@"; }

# A database whose ./start or ./test was killed goes on alone; one whose script still runs is left in peace.
stop_orphan() {
  [ -s "$DB_DIR/pid" ] && [ -s "$DB_DIR/owner" ] || return 0
  orphan=$(cat "$DB_DIR/pid")
  tr '\0' ' ' 2>/dev/null <"/proc/$orphan/cmdline" | grep -qF -- "--datadir=$DB_DATA " || return 0
  owner=$(cat "$DB_DIR/owner")
  tr '\0' ' ' 2>/dev/null <"/proc/$owner/cmdline" | grep -qE "start|test|dev|load|backup|restore" \
    && fail "it runs already from this folder (process $owner). Stop it there with Ctrl-C, or set UNDOKNOT_RUN to another folder."
  say "The database of an earlier run still stands alone; stopping it first"
  kill "$orphan"
  while [ -d "/proc/$orphan" ]; do sleep 0.2; done
}

db_start() {
  mkdir -p "$DB_DIR"
  chmod 755 "$DB_DIR"
  # A socket path has room for about a hundred signs only, so it does not lie in the checkout.
  DB_SOCKET="/tmp/undoknot-$(id -u)-$DB_PORT.sock"
  db_user=""
  if [ "$(id -u)" = 0 ]; then
    db_user="--user=mysql"
    chown mysql "$DB_DIR"
    runuser -u mysql -- test -x "$DB_DIR" || fail "the user mysql cannot reach $DB_DIR. Make its parent folders traversable (chmod a+x) or set UNDOKNOT_RUN to another folder."
  fi
  port_taken "$DB_PORT" && fail "port $DB_PORT on 127.0.0.1 is in use, the database needs it. Stop what uses it, or choose another: $DB_PORT_VARIABLE=3399 ./$(basename "$0")"
  if [ ! -d "$DB_DATA/mysql" ]; then
    rm -rf "$DB_DATA"
    mariadb-install-db --no-defaults $db_user --datadir="$DB_DATA" --auth-root-authentication-method=normal --skip-test-db \
      >"$DB_DIR/install.log" 2>&1 || fail "the database could not be set up; see $DB_DIR/install.log"
  fi
  mariadbd=$(command -v mariadbd || echo /usr/sbin/mariadbd)
  "$mariadbd" --no-defaults $db_user --datadir="$DB_DATA" --bind-address=127.0.0.1 --port="$DB_PORT" --socket="$DB_SOCKET" \
    --pid-file="$DB_DIR/pid" --skip-name-resolve --character-set-server=utf8mb4 --collation-server=utf8mb4_unicode_ci \
    --innodb-buffer-pool-size=128M --max-allowed-packet=64M --performance-schema=OFF "$@" <&- >"$DB_DIR/mariadb.log" 2>&1 &
  DB_PID=$!
  echo $$ >"$DB_DIR/owner"
  tries=0
  until db_sql -e 'select 1' >/dev/null 2>&1; do
    kill -0 "$DB_PID" 2>/dev/null || fail "the database did not start; see $DB_DIR/mariadb.log"
    tries=$((tries + 1))
    [ "$tries" -le 300 ] || fail "the database did not answer for a minute; see $DB_DIR/mariadb.log"
    sleep 0.2
  done
  if [ ! -s "$DB_DIR/password" ]; then
    (umask 077; head -c 24 /dev/urandom | od -An -tx1 | tr -d ' \n' >"$DB_DIR/password")
  fi
  UNDOKNOT_DB_PASSWORD=$(cat "$DB_DIR/password")
  UNDOKNOT_DB_USER=app
  UNDOKNOT_DB_URL="jdbc:mariadb://127.0.0.1:$DB_PORT/undoknot"
  export UNDOKNOT_DB_PASSWORD UNDOKNOT_DB_USER UNDOKNOT_DB_URL
  db_sql <<SQL || fail "the database could not be prepared; see $DB_DIR/mariadb.log"
create database if not exists undoknot;
create or replace user 'app'@'127.0.0.1' identified by '$UNDOKNOT_DB_PASSWORD';
grant all on undoknot.* to 'app'@'127.0.0.1';
$DB_EXTRA_SQL
SQL
}

db_stop() {
  [ -n "${DB_PID:-}" ] || return 0
  kill "$DB_PID" 2>/dev/null
  wait "$DB_PID" 2>/dev/null
  DB_PID=""
}
