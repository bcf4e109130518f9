package undoknot.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import undoknot.plan.Doing;

/** Benches small enough to lay by hand. */
final class SmallBench {

    static final Map<Place, Integer> ONE_EACH =
            Map.of(Place.BATH, 1, Place.TRAY, 1, Place.PRINTER, 1, Place.TEST_SLOT, 1);

    private SmallBench() {}

    /** Hands of one go, after which nothing waits. */
    static Stint hands(String key, int minutes, Place... places) {
        return new Stint(key, Doing.CHECK, null, minutes, 0, Stint.ANY, Set.of(places), false);
    }

    /** Hands that begin a wait which may last from {@code least} to {@code most} minutes. */
    static Stint soak(String key, int minutes, int least, int most, Place... places) {
        return new Stint(key, Doing.PAD_IN, null, minutes, least, most, Set.of(places), places.length > 0);
    }

    static HeadJob head(String id, Integer due, Stint... stints) {
        return HeadJob.of(id, List.of(stints), due);
    }

    static Person person(String name, int... hours) {
        List<Window> windows = new ArrayList<>();
        for (int i = 0; i < hours.length; i += 2) {
            windows.add(new Window(hours[i], hours[i + 1]));
        }
        return new Person(name, windows);
    }

    static Bench bench(List<Person> people, HeadJob... heads) {
        return new Bench(List.of(heads), people, ONE_EACH, Map.of());
    }
}
