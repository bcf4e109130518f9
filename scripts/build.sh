# Builds the program into $RUN/app, only what has changed since the last time. Sourced by ./start and bench/load.
# Needs: RUN, and scripts/db.sh for say and fail. Sets: APP.

APP="$RUN/app"

# How ./start runs the server, so that what bench/ measures is what a shop has. Quick to give memory back after a large scan.
SERVER_MEMORY="-Xms128m -Xmn52m -Xmx704m -XX:MinHeapFreeRatio=10 -XX:MaxHeapFreeRatio=60 -XX:+UseSerialGC -Xshare:auto"
# What Java takes besides its heap, to make code quick above all, goes back to the system when it is let go.
export MALLOC_ARENA_MAX=2 MALLOC_MMAP_THRESHOLD_=32000 MALLOC_TRIM_THRESHOLD_=131072
WEB_SOURCES="web/src web/public web/index.html web/openapi.json web/package-lock.json web/vite.config.ts web/tsconfig.json server/src/main/resources/words.json"
JAVA_SOURCES="pom.xml core/pom.xml simulator/pom.xml server/pom.xml web/pom.xml core/src/main simulator/src/main server/src/main"

# Whether nothing among the paths is newer than the stamp; a folder is newer when something in it was taken away.
unchanged_since() {
  stamp="$1"
  shift
  [ -f "$stamp" ] && [ -z "$(find "$@" -newer "$stamp" -print -quit 2>/dev/null)" ]
}

build_app() {
  # shellcheck disable=SC2086
  web_stands=no; unchanged_since web/target/built $WEB_SOURCES && [ -f web/dist/index.html ] && web_stands=yes
  # shellcheck disable=SC2086
  [ "$web_stands" = yes ] && unchanged_since "$APP/done" $JAVA_SOURCES && return
  if [ "$web_stands" = yes ]; then
    say "Building the server; the screens have not changed (log in $RUN/build.log)"
    skip="-Dweb.skip -Dweb.check.skip"
  else
    say "Building (the first time takes a few minutes; log in $RUN/build.log)"
    skip=""
  fi
  # shellcheck disable=SC2086
  mvn -B -ntp -DskipTests -Dspotless.check.skip -Dmdep.analyze.skip $skip -pl server -am package >"$RUN/build.log" 2>&1 || {
    tail -n 25 "$RUN/build.log" >&2
    fail "the build failed; the whole log is in $RUN/build.log"
  }
  [ "$web_stands" = yes ] || { mkdir -p web/target; touch web/target/built; }
  rm -rf "$APP"
  java -Djarmode=tools -jar server/target/server-*-app.jar extract --destination "$APP" >>"$RUN/build.log" 2>&1 \
    || fail "the program could not be unpacked; see $RUN/build.log"
  mv "$APP"/server-*-app.jar "$APP/undo-knot.jar"
  touch "$APP/done"
}

# Java with the classes as they were read once starts in half the time. An archive that does not fit is left aside by Java itself.
run_app() {
  # shellcheck disable=SC2086
  if [ -f "$APP/classes.jsa" ]; then
    exec java $SERVER_MEMORY -XX:SharedArchiveFile="$APP/classes.jsa" -jar "$APP/undo-knot.jar"
  fi
  # shellcheck disable=SC2086
  exec java $SERVER_MEMORY -jar "$APP/undo-knot.jar"
}

# Reads all classes once and keeps them: a second process that ends before it answers anybody, beside the server that stands.
keep_classes() {
  [ ! -f "$APP/classes.jsa" ] || return 0
  # shellcheck disable=SC2086
  UNDOKNOT_PORT=0 nice -n 19 java $SERVER_MEMORY -XX:ArchiveClassesAtExit="$APP/classes.part" -Dspring.context.exit=onRefresh \
    -jar "$APP/undo-knot.jar" >"$RUN/classes.log" 2>&1 &
  reading=$!
  trap 'kill "$reading" 2>/dev/null; exit 0' TERM
  wait "$reading" && mv "$APP/classes.part" "$APP/classes.jsa"
}
