# Builds what bench/* measures and runs it. Sourced by them, from the project's root.
# Modules are taken from this checkout, never from the local Maven repository, where a fresh machine has none of them.

. scripts/db.sh
BENCH_LOG="${UNDOKNOT_RUN:-$PWD/.run}/bench-build.log"

# Sets BENCH_CLASSES. Says what went wrong when the build fails.
build_bench() {
  mkdir -p "$(dirname "$BENCH_LOG")"
  mvn -B -ntp -DskipTests -Dspotless.check.skip -pl bench -am package >"$BENCH_LOG" 2>&1 || {
    tail -n 25 "$BENCH_LOG" >&2
    fail "the benchmarks could not be built; the whole log is in $BENCH_LOG"
  }
  [ -s bench/target/classpath ] || fail "the build has not written bench/target/classpath; see $BENCH_LOG"
  BENCH_CLASSES="bench/target/classes:$(cat bench/target/classpath)"
}
