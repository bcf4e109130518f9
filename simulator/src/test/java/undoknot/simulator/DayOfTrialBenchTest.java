package undoknot.simulator;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import undoknot.bench.Bench;
import undoknot.bench.Day;
import undoknot.bench.Day.Placed;
import undoknot.bench.DayCheck;
import undoknot.bench.DaySolver;
import undoknot.bench.Fixed;
import undoknot.bench.HeadJob;
import undoknot.bench.NoRoom;
import undoknot.bench.Person;
import undoknot.bench.Pins;
import undoknot.bench.Place;
import undoknot.bench.Proposed;
import undoknot.bench.Stint;
import undoknot.bench.Window;

/** No rule is broken by any day, whatever the bench; and what is proposed is never worse than taking heads as they come. */
class DayOfTrialBenchTest {

    private static final DaySolver.Effort LITTLE = new DaySolver.Effort(0.001, 10);

    @ParameterizedTest
    @CsvSource({"1, 10, 12", "100, 20, 6", "200, 40, 2"})
    void a_proposed_day_breaks_nothing_and_is_no_worse_than_first_come(long seed, int heads, int benches) {
        for (int i = 0; i < benches; i++) {
            Proposed proposed = DaySolver.propose(TrialBench.of(seed + i, heads), LITTLE);

            assertThat(DayCheck.of(proposed.bench(), proposed.day()))
                    .as("bench %d of %d heads", seed + i, heads)
                    .isEmpty();
            assertThat(proposed.score()).isLessThanOrEqualTo(proposed.firstCome());
            assertThat(proposed.lateBound())
                    .isLessThanOrEqualTo(proposed.score().late());
            assertThat(proposed.bound()).isLessThanOrEqualTo(proposed.score().ready());
        }
    }

    /** Twenty weeks of twenty-five changes each: time goes on, work begins and is done, heads come, people are away, steps are pinned. */
    @Test
    void five_hundred_changes_break_nothing_and_move_nothing_that_has_begun() {
        int changes = 0;
        int begunSeen = 0;
        for (int week = 0; week < 20; week++) {
            Shop shop = new Shop(week);
            for (int i = 0; i < 25; i++) {
                shop.somethingHappens();
                shop.bench = Pins.thatFit(shop.bench).bench();
                Proposed proposed = DaySolver.again(shop.bench, shop.day, LITTLE);
                changes++;
                begunSeen += shop.begun().size();

                assertThat(DayCheck.of(proposed.bench(), proposed.day()))
                        .as("week %d, change %d", week, i)
                        .isEmpty();
                shop.begun()
                        .forEach((key, at) -> assertThat(proposed.day().placed().get(key))
                                .as(key)
                                .isEqualTo(new Placed(at.person(), at.start())));
                shop.day = proposed.day();
            }
        }
        assertThat(changes).isEqualTo(500);
        assertThat(begunSeen).as("stints in hand at a change").isGreaterThan(200);
    }

    /** A bench whose clock goes on. Minutes stay those of its first morning: what went by is cut off the hours. */
    private static final class Shop {

        private final Random random;
        private Bench bench;
        private Day day;
        private int now;
        private int came;

        Shop(long seed) {
            random = new Random(seed);
            bench = TrialBench.of(1000 + seed, 4 + random.nextInt(4));
            day = DaySolver.propose(bench, LITTLE).day();
        }

        Map<String, Fixed> begun() {
            Map<String, Fixed> begun = new HashMap<>(bench.fixed());
            begun.values().removeIf(f -> !f.begun());
            return begun;
        }

        void somethingHappens() {
            switch (random.nextInt(4)) {
                case 0 -> timeGoesOn(10 + random.nextInt(90));
                case 1 -> headComes();
                case 2 -> somebodyIsAway();
                default -> stepIsPinned();
            }
        }

        private void timeGoesOn(int minutes) {
            now += minutes;
            Map<String, Fixed> fixed = new HashMap<>();
            Map<String, Placed> moved = new HashMap<>();
            List<HeadJob> heads = new ArrayList<>();
            for (HeadJob head : bench.heads()) {
                List<Stint> left = new ArrayList<>();
                int from = Math.max(0, head.from() - minutes);
                int until = head.until() == Stint.ANY ? Stint.ANY : Math.max(from, head.until() - minutes);
                Set<Place> runsIn = head.runsIn();
                for (Stint stint : head.stints()) {
                    Placed at = day.of(head, stint);
                    int start = at.start() - minutes;
                    if (left.isEmpty() && start + stint.hands() <= 0) {
                        from = Math.max(0, start + stint.hands() + stint.least());
                        until = stint.most() == Stint.ANY
                                ? Stint.ANY
                                : Math.max(from, start + stint.hands() + stint.most());
                        runsIn = stint.kept() ? stint.places() : Set.of();
                        continue;
                    }
                    String key = Bench.key(head, stint);
                    if (start < 0) {
                        fixed.put(key, new Fixed(at.person(), start, true));
                    }
                    moved.put(key, new Placed(at.person(), start));
                    left.add(stint);
                }
                if (!left.isEmpty()) {
                    Integer due = head.due() == null ? null : head.due() - minutes;
                    heads.add(new HeadJob(
                            head.id(), head.tag(), left, due, from, until, runsIn, head.again(), head.againHands()));
                }
            }
            List<Person> people = bench.people().stream()
                    .map(p -> new Person(p.name(), later(p.atWork(), minutes)))
                    .toList();
            bench = new Bench(heads, people, bench.have(), fixed);
            day = new Day(moved);
        }

        private static List<Window> later(List<Window> hours, int minutes) {
            return hours.stream()
                    .filter(w -> w.until() > minutes)
                    .map(w -> new Window(Math.max(0, w.from() - minutes), w.until() - minutes))
                    .toList();
        }

        private void headComes() {
            HeadJob drawn = TrialBench.of(random.nextInt(100_000), 1).heads().get(0);
            String id = "new" + came++;
            List<HeadJob> heads = new ArrayList<>(bench.heads());
            heads.add(new HeadJob(
                    id,
                    id,
                    drawn.stints(),
                    drawn.due(),
                    drawn.from(),
                    drawn.until(),
                    drawn.runsIn(),
                    drawn.again(),
                    drawn.againHands()));
            bench = new Bench(heads, bench.people(), bench.have(), bench.fixed());
        }

        /** What somebody has in hand stays; the rest of the shift is gone. */
        private void somebodyIsAway() {
            int who = random.nextInt(bench.people().size());
            List<Person> people = new ArrayList<>(bench.people());
            List<Window> hours = new ArrayList<>(people.get(who).atWork());
            hours.remove(0);
            if (bench.people().size() > 1 && hours.size() > 5) {
                people.set(who, new Person(people.get(who).name(), hours));
                bench = bench.of(people);
            }
        }

        /** Pinned where it was planned or a little later; where that does not fit it is not pinned. */
        private void stepIsPinned() {
            Set<String> keys = new HashSet<>(day.placed().keySet());
            keys.removeAll(bench.fixed().keySet());
            if (keys.isEmpty()) {
                return;
            }
            String key = keys.stream().sorted().toList().get(random.nextInt(keys.size()));
            Placed at = day.placed().get(key);
            Map<String, Fixed> fixed = new HashMap<>(bench.fixed());
            fixed.put(key, new Fixed(at.person(), Math.max(0, at.start()) + random.nextInt(3) * 5, false));
            try {
                Bench pinned = bench.with(fixed);
                DaySolver.again(pinned, day, LITTLE);
                bench = pinned;
            } catch (NoRoom e) {
                assertThat(e.key()).isNotBlank();
            }
        }
    }
}
