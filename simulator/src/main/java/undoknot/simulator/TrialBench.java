package undoknot.simulator;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import undoknot.bench.Bench;
import undoknot.bench.HeadJob;
import undoknot.bench.Person;
import undoknot.bench.Place;
import undoknot.bench.Stint;
import undoknot.bench.Window;
import undoknot.plan.Doing;
import undoknot.treatment.Method;

/** Made-up benches, drawn by a seed: heads with work of every kind, people with hours, places. The day begins as the shop opens. */
public final class TrialBench {

    private static final int DAY = 24 * 60;
    private static final int SOAK_MOST = 18 * 60;
    private static final int DAYS = 45;

    private final Random random;
    private int round;

    private TrialBench(long seed) {
        this.random = new Random(seed);
    }

    /** So many heads; one person for every eight or so. */
    public static Bench of(long seed, int heads) {
        return new TrialBench(seed).bench(heads);
    }

    private Bench bench(int heads) {
        int people = Math.max(1, heads / 8 + random.nextInt(2));
        List<Person> all = new ArrayList<>();
        List<Window> shared = hours();
        boolean alike = random.nextInt(3) > 0;
        for (int p = 0; p < people; p++) {
            all.add(new Person("Person " + (p + 1), alike ? shared : hours()));
        }
        Map<Place, Integer> have = new EnumMap<>(Place.class);
        have.put(Place.BATH, 1);
        have.put(Place.TRAY, 1 + random.nextInt(3));
        have.put(Place.PRINTER, people + 1 + random.nextInt(3));
        have.put(Place.TEST_SLOT, 1 + random.nextInt(people));
        List<HeadJob> jobs = new ArrayList<>();
        for (int h = 0; h < heads; h++) {
            jobs.add(head("h" + h));
        }
        return new Bench(jobs, all, have, Map.of());
    }

    private List<Window> hours() {
        int opens = random.nextInt(3) * 30;
        int minutes = 7 * 60 + random.nextInt(4) * 30;
        boolean breaks = random.nextBoolean();
        List<Window> hours = new ArrayList<>();
        for (int day = 0; day < DAYS; day++) {
            if (day % 7 < 5) {
                int from = day * DAY + opens;
                if (breaks) {
                    hours.add(new Window(from, from + 240));
                    hours.add(new Window(from + 270, from + minutes));
                } else {
                    hours.add(new Window(from, from + minutes));
                }
            }
        }
        return hours;
    }

    private HeadJob head(String id) {
        List<Stint> stints = new ArrayList<>();
        int rounds = 1 + (random.nextInt(4) == 0 ? 1 : 0);
        for (round = 1; round <= rounds; round++) {
            work(stints);
            stints.add(stint(
                    stints, Doing.CHECK, null, 8 + random.nextInt(6), 0, Stint.ANY, Set.of(Place.TEST_SLOT), false));
        }
        stints.add(
                stint(stints, Doing.PAGE, null, 5 + random.nextInt(4), 0, Stint.ANY, Set.of(Place.TEST_SLOT), false));
        stints.add(stint(stints, Doing.SIGN_OFF, null, 3, 0, Stint.ANY, Set.of(), false));
        Integer due = random.nextInt(10) == 0 ? null : random.nextInt(5) * DAY + 9 * 60;
        boolean runs = random.nextInt(8) == 0;
        int from = runs ? random.nextInt(180) : 0;
        int until = runs && random.nextBoolean() ? from + SOAK_MOST : Stint.ANY;
        return new HeadJob(id, id, stints, due, from, until, Set.of(), random.nextDouble() / 2, 40);
    }

    private void work(List<Stint> stints) {
        int hands = 10 + random.nextInt(35);
        switch (random.nextInt(6)) {
            case 0 -> {
                int soak = soak();
                stints.add(
                        stint(stints, Doing.STROKE, Method.FLUSH, hands, soak, SOAK_MOST, Set.of(Place.PRINTER), true));
                stints.add(stint(
                        stints,
                        Doing.SECOND_STROKE,
                        Method.FLUSH,
                        hands / 2,
                        0,
                        Stint.ANY,
                        Set.of(Place.PRINTER),
                        false));
            }
            case 1 -> {
                stints.add(stint(stints, Doing.PAD_IN, Method.PAD, 8, soak(), SOAK_MOST, Set.of(Place.PRINTER), true));
                stints.add(stint(stints, Doing.PAD_OUT, Method.PAD, 4, 0, Stint.ANY, Set.of(Place.PRINTER), false));
            }
            case 2 -> {
                stints.add(
                        stint(stints, Doing.TAKE_OUT, Method.TRAY_SOAK, 7, 0, Stint.ANY, Set.of(Place.PRINTER), false));
                stints.add(
                        stint(stints, Doing.TRAY_IN, Method.TRAY_SOAK, 3, soak(), SOAK_MOST, Set.of(Place.TRAY), true));
                stints.add(
                        stint(stints, Doing.LIFT_OUT, Method.TRAY_SOAK, 2, 120, Stint.ANY, Set.of(Place.TRAY), false));
                stints.add(stint(stints, Doing.REFIT, Method.TRAY_SOAK, 4, 0, Stint.ANY, Set.of(Place.PRINTER), false));
            }
            case 3 -> {
                stints.add(stint(stints, Doing.TAKE_OUT, Method.BATH, 7, 0, Stint.ANY, Set.of(Place.PRINTER), false));
                stints.add(stint(stints, Doing.BASKET_IN, Method.BATH, 18, 120, Stint.ANY, Set.of(Place.BATH), false));
                stints.add(stint(stints, Doing.REFIT, Method.BATH, 4, 0, Stint.ANY, Set.of(Place.PRINTER), false));
            }
            case 4 -> {
                // Wetted again every three hours; of five times no shift sees the end.
                int times = 1 + random.nextInt(5);
                for (int i = 0; i < times; i++) {
                    stints.add(stint(
                            stints,
                            i == 0 ? Doing.PAD_IN : Doing.RE_WET,
                            Method.VAPOUR,
                            5,
                            180,
                            180,
                            Set.of(Place.PRINTER),
                            true));
                }
                stints.add(stint(stints, Doing.PAD_OUT, Method.VAPOUR, 4, 0, Stint.ANY, Set.of(Place.PRINTER), false));
            }
            default -> {
                stints.add(stint(
                        stints, Doing.TAKE_OUT, Method.DRAW_BACK, 20 + hands, 24 * 60, Stint.ANY, Set.of(), false));
                stints.add(stint(stints, Doing.REFIT, Method.DRAW_BACK, 4, 0, Stint.ANY, Set.of(Place.PRINTER), false));
            }
        }
    }

    private int soak() {
        return List.of(10, 15, 40, 40, 180, 720).get(random.nextInt(6));
    }

    private Stint stint(
            List<Stint> before,
            Doing doing,
            Method method,
            int hands,
            int least,
            int most,
            Set<Place> places,
            boolean kept) {
        return new Stint(round + "-" + doing + before.size(), doing, method, hands, least, most, places, kept);
    }
}
