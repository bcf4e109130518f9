package undoknot.bench;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import undoknot.bench.Day.Placed;

/** Goes through a day stint by stint and says what it breaks, whoever made it. */
public final class DayCheck {

    private final Bench bench;
    private final Day day;
    private final List<Broken> broken = new ArrayList<>();

    private DayCheck(Bench bench, Day day) {
        this.bench = bench;
        this.day = day;
    }

    /** What a day may not do. */
    public enum Rule {
        /** A stint is done by nobody. */
        LEFT_OUT,
        /** Before its time, or before the wait ahead of it is over: a hold among them. */
        TOO_EARLY,
        /** What soaks before it runs longer than it may. */
        TOO_LATE,
        /** Not in the hours of who does it. */
        OUT_OF_HOURS,
        /** Somebody would be in two places. */
        TWO_PLACES_AT_ONCE,
        /** More heads than there is room for. */
        NO_PLACE,
        /** Something that has begun, or that somebody fixed, is elsewhere. */
        MOVED
    }

    /** @param key of the stint; of a place without room that of one which stands there */
    public record Broken(Rule rule, String key) {}

    public static List<Broken> of(Bench bench, Day day) {
        DayCheck check = new DayCheck(bench, day);
        bench.heads().forEach(check::head);
        if (check.broken.isEmpty()) {
            check.people();
            for (Place place : Place.values()) {
                check.place(place);
            }
        }
        return List.copyOf(check.broken);
    }

    private void broken(Rule rule, HeadJob head, Stint stint) {
        broken.add(new Broken(rule, Bench.key(head, stint)));
    }

    private void head(HeadJob head) {
        int earliest = head.from();
        int latest = head.until();
        for (Stint stint : head.stints()) {
            Placed at = day.of(head, stint);
            if (at == null) {
                broken(Rule.LEFT_OUT, head, stint);
                return;
            }
            Fixed fixed = bench.fixed(head, stint);
            boolean begun = fixed != null && fixed.begun();
            int end = at.start() + stint.hands();
            if (fixed != null && (fixed.start() != at.start() || fixed.person() != at.person())) {
                broken(Rule.MOVED, head, stint);
            }
            if (!begun && at.start() < earliest) {
                broken(Rule.TOO_EARLY, head, stint);
            }
            if (!begun && at.start() > latest) {
                broken(Rule.TOO_LATE, head, stint);
            }
            if (!begun && !bench.people().get(at.person()).isAtWork(at.start(), end)) {
                broken(Rule.OUT_OF_HOURS, head, stint);
            }
            earliest = end + stint.least();
            latest = stint.isBounded() ? end + stint.most() : Stint.ANY;
        }
    }

    private record Taken(int from, int until, int who, String key, boolean begun) {}

    private void people() {
        List<Taken> all = new ArrayList<>();
        for (HeadJob head : bench.heads()) {
            for (Stint stint : head.stints()) {
                Placed at = day.of(head, stint);
                Fixed fixed = bench.fixed(head, stint);
                all.add(new Taken(
                        at.start(),
                        at.start() + stint.hands(),
                        at.person(),
                        Bench.key(head, stint),
                        fixed != null && fixed.begun()));
            }
        }
        all.sort(Comparator.comparingInt(Taken::who).thenComparingInt(Taken::from));
        for (int i = 1; i < all.size(); i++) {
            Taken before = all.get(i - 1);
            Taken one = all.get(i);
            // Whoever has two heads in hand now has them: that is no fault of the day.
            if (before.who == one.who && before.until > one.from && !(before.begun && one.begun)) {
                broken.add(new Broken(Rule.TWO_PLACES_AT_ONCE, one.key));
            }
        }
    }

    private void place(Place place) {
        List<Taken> taken = new ArrayList<>();
        int standing = 0;
        for (HeadJob head : bench.heads()) {
            for (int i = 0; i < head.stints().size(); i++) {
                Stint stint = head.stints().get(i);
                Placed at = day.of(head, stint);
                Fixed fixed = bench.fixed(head, stint);
                boolean begun = fixed != null && fixed.begun();
                if (i == 0 && !begun && head.runsIn().contains(place)) {
                    taken.add(new Taken(0, at.start(), 0, Bench.key(head, stint), true));
                    standing++;
                }
                if (stint.places().contains(place)) {
                    int end = at.start() + stint.hands();
                    boolean keeps = stint.kept() && i + 1 < head.stints().size();
                    int until = keeps ? day.of(head, head.stints().get(i + 1)).start() : end;
                    taken.add(new Taken(at.start(), until, 0, Bench.key(head, stint), begun));
                    standing += begun ? 1 : 0;
                }
            }
        }
        // More may stand there already than there is room for; no more than that.
        int most = Math.max(bench.have().get(place), standing);
        for (Taken one : taken) {
            long there = taken.stream()
                    .filter(t -> t.from <= one.from && one.from < t.until)
                    .count();
            if (there > most) {
                broken.add(new Broken(Rule.NO_PLACE, one.key));
            }
        }
    }
}
