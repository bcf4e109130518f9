# Builds the program into $RUN/app, only what has changed since the last time. Sourced by ./start and bench/load.
# Needs: RUN, and scripts/db.sh for say and fail. Sets: APP.

APP="$RUN/app"

# How ./start runs the server, so that what bench/ measures is what a shop has. Quick to give memory back after a large scan.
SERVER_MEMORY="-Xms128m -Xmn56m -Xmx704m -XX:MinHeapFreeRatio=10 -XX:MaxHeapFreeRatio=25 -XX:+UseSerialGC -Xshare:auto"
export MALLOC_ARENA_MAX=2
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
