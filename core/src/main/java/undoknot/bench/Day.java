package undoknot.bench;

import java.util.Map;

/**
 * Who does what when.
 *
 * @param placed by stint, keyed as {@link Bench#key}
 */
public record Day(Map<String, Placed> placed) {

    public Day {
        placed = Map.copyOf(placed);
    }

    /**
     * @param person place in the list of people
     * @param start minute
     */
    public record Placed(int person, int start) {}

    public Placed of(HeadJob head, Stint stint) {
        return placed.get(Bench.key(head, stint));
    }

    /** Minute at which a head is ready. */
    public int ready(HeadJob head) {
        if (head.stints().isEmpty()) {
            return head.from();
        }
        Stint last = head.stints().get(head.stints().size() - 1);
        return of(head, last).start() + last.hands() + last.least();
    }

    public int late(HeadJob head) {
        return head.due() == null ? 0 : Math.max(0, ready(head) - head.due());
    }

    /** How good it is: the less the better, first what is late, then when all heads are ready. */
    public Score score(Bench bench) {
        long late = bench.heads().stream().mapToLong(this::late).sum();
        long ready = bench.heads().stream().mapToLong(this::ready).sum();
        return new Score(late, ready);
    }

    /**
     * @param late minutes that all heads together are ready after they were promised
     * @param ready minutes at which heads are ready, of all heads together
     */
    public record Score(long late, long ready) implements Comparable<Score> {
        @Override
        public int compareTo(Score other) {
            return late != other.late ? Long.compare(late, other.late) : Long.compare(ready, other.ready);
        }
    }

    /** Minutes that stints of an earlier day were moved by, all together; what is not in it counts nothing. */
    public long moved(Day before) {
        return placed.entrySet().stream()
                .filter(e -> before.placed.containsKey(e.getKey()))
                .mapToLong(e -> Math.abs(
                        e.getValue().start() - before.placed.get(e.getKey()).start()))
                .sum();
    }
}
