package undoknot.bench;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;

/**
 * What a bench would gain by one more of something, or an hour more. Both sides are laid by the quick rules alone, without the solver,
 * so that like is compared with like.
 */
public final class WhatHelps {

    private static final int HOUR = 60;

    private WhatHelps() {}

    /** What may be added. */
    public enum More {
        BATH,
        TRAY,
        PRINTER,
        TEST_SLOT,
        PERSON,
        /** Everybody stays an hour longer. */
        HOUR
    }

    /**
     * @param late minutes less that heads are late, all together
     * @param ready minutes that heads are ready earlier, all together
     */
    public record Help(More more, long late, long ready) {}

    /** Those that help, the most first; what makes nothing later and nothing earlier is left out. */
    public static List<Help> of(Bench bench) {
        if (bench.people().isEmpty() || bench.heads().isEmpty()) {
            return List.of();
        }
        Day.Score now = DaySolver.quickly(bench);
        List<Help> helps = new ArrayList<>();
        for (More more : More.values()) {
            Day.Score then = DaySolver.quickly(with(bench, more));
            if (then.compareTo(now) < 0) {
                helps.add(new Help(more, now.late() - then.late(), now.ready() - then.ready()));
            }
        }
        helps.sort(Comparator.comparingLong((Help h) -> -h.late).thenComparingLong(h -> -h.ready));
        return helps;
    }

    private static Bench with(Bench bench, More more) {
        return switch (more) {
            case PERSON -> {
                List<Person> people = new ArrayList<>(bench.people());
                people.add(new Person("One more", people.get(0).atWork()));
                yield bench.of(people);
            }
            case HOUR -> bench.of(bench.people().stream().map(WhatHelps::longer).toList());
            default -> {
                Map<Place, Integer> have = new EnumMap<>(bench.have());
                have.merge(Place.valueOf(more.name()), 1, Integer::sum);
                yield bench.having(have);
            }
        };
    }

    private static Person longer(Person person) {
        List<Window> hours = new ArrayList<>();
        for (int i = 0; i < person.atWork().size(); i++) {
            Window w = person.atWork().get(i);
            int next =
                    i + 1 < person.atWork().size() ? person.atWork().get(i + 1).from() : Integer.MAX_VALUE;
            hours.add(new Window(w.from(), Math.min(w.until() + HOUR, next)));
        }
        return new Person(person.name(), hours);
    }
}
