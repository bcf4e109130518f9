package undoknot.bench;

import com.google.ortools.Loader;
import com.google.ortools.sat.CpSolver;
import com.google.ortools.sat.CpSolverStatus;
import com.google.ortools.sat.LinearExpr;
import com.google.ortools.sat.SatParameters;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import undoknot.bench.Day.Placed;

/**
 * Proposes a day: starts from what the quick rules lay, and lets a constraint solver better it. What is late counts first; then, for a new
 * day, when heads are ready, and for a changed one, by how much it moves what was planned.
 */
public final class DaySolver {

    private static final int SEED = 17;

    /**
     * How long it may search.
     *
     * @param steps of each of the two searches, in the solver's own measure: the same steps come to the same day
     * @param seconds of each at most, whatever the machine
     */
    public record Effort(double steps, double seconds) {
        public static final Effort USUAL = new Effort(0.1, 2.0);
    }

    static {
        Loader.loadNativeLibraries();
    }

    private DaySolver() {}

    /** @throws NoRoom when something fits nowhere */
    public static Proposed propose(Bench bench, Effort effort) {
        FirstCome.Laid first = FirstCome.of(bench);
        Day best = best(first, quick(first), Comparator.comparing(day -> day.score(first.bench())));
        return new Search(first, best, null, effort).run();
    }

    /**
     * After something changed: what is not late stays where it was as far as it can.
     *
     * @param before the day that stood
     * @throws NoRoom when something fits nowhere
     */
    public static Proposed again(Bench bench, Day before, Effort effort) {
        FirstCome.Laid first = FirstCome.of(bench);
        Map<String, Integer> asBefore = new HashMap<>();
        before.placed().forEach((key, at) -> asBefore.put(key, at.start()));
        List<FirstCome.Laid> tries = new ArrayList<>(quick(first));
        tries.add(FirstCome.of(first.bench(), byStart(before), asBefore));
        Comparator<Day> aim = Comparator.<Day>comparingLong(
                        day -> day.score(first.bench()).late())
                .thenComparingLong(day -> day.moved(before));
        return new Search(first, best(first, tries, aim), before, effort).run();
    }

    /** How good the best of the quick rules is, without a search. */
    static Day.Score quickly(Bench bench) {
        FirstCome.Laid first = FirstCome.of(bench);
        return best(first, quick(first), Comparator.comparing(day -> day.score(first.bench())))
                .score(first.bench());
    }

    /** Other orders in which heads may be laid; any of them can turn out the best. */
    private static List<FirstCome.Laid> quick(FirstCome.Laid first) {
        List<Comparator<HeadJob>> orders = List.of(
                Comparator.comparingInt(DaySolver::due),
                Comparator.comparingInt(head -> due(head) - head.hands()),
                Comparator.comparingInt(HeadJob::hands),
                Comparator.comparingInt(head -> -longestWait(head)));
        List<FirstCome.Laid> laid = new ArrayList<>();
        for (Comparator<HeadJob> order : orders) {
            try {
                laid.add(FirstCome.of(first.bench(), order, Map.of()));
            } catch (NoRoom e) {
                // Another order may fit where this one does not; the first one did.
                continue;
            }
        }
        return laid;
    }

    private static int due(HeadJob head) {
        return head.due() == null ? Integer.MAX_VALUE / 2 : head.due();
    }

    private static int longestWait(HeadJob head) {
        return head.stints().stream().mapToInt(Stint::least).max().orElse(0);
    }

    private static Comparator<HeadJob> byStart(Day before) {
        return Comparator.comparingInt(head -> head.stints().stream()
                .map(stint -> before.of(head, stint))
                .filter(at -> at != null)
                .mapToInt(Placed::start)
                .min()
                .orElse(Integer.MAX_VALUE));
    }

    private static Day best(FirstCome.Laid first, List<FirstCome.Laid> others, Comparator<Day> aim) {
        Day best = first.day();
        for (FirstCome.Laid other : others) {
            if (aim.compare(other.day(), best) < 0
                    && DayCheck.of(first.bench(), other.day()).isEmpty()) {
                best = other.day();
            }
        }
        return best;
    }

    /** A search from a day that holds. */
    private static final class Search {

        private final Bench bench;
        private final Day.Score firstCome;
        private final Day before;
        private final Effort effort;
        private Day best;
        private long lateBound;
        private long bound;
        private boolean isRepeatable = true;

        Search(FirstCome.Laid first, Day start, Day before, Effort effort) {
            this.bench = first.bench();
            this.firstCome = first.day().score(bench);
            this.best = start;
            this.before = before;
            this.effort = effort;
        }

        Proposed run() {
            if (!best.placed().isEmpty()) {
                long late = best.score(bench).late();
                if (late > 0) {
                    DayModel model = new DayModel(bench, best);
                    lateBound = solve(model, model.late());
                    late = best.score(bench).late();
                }
                DayModel model = new DayModel(bench, best);
                model.noLaterThan(late);
                bound = solve(model, before == null ? model.ready() : model.moved(before));
            }
            return new Proposed(bench, best, best.score(bench), firstCome, lateBound, bound, isRepeatable);
        }

        /** The bound that was proved; a day that is found becomes the best. */
        private long solve(DayModel model, LinearExpr aim) {
            model.minimize(aim, best);
            CpSolver solver = new CpSolver();
            SatParameters.Builder how = solver.getParameters();
            how.setNumWorkers(1)
                    .setRandomSeed(SEED)
                    .setMaxDeterministicTime(effort.steps)
                    .setMaxTimeInSeconds(effort.seconds);
            CpSolverStatus status = solver.solve(model.built());
            isRepeatable &= solver.wallTime() < effort.seconds;
            if (status == CpSolverStatus.OPTIMAL || status == CpSolverStatus.FEASIBLE) {
                Day found = model.day(solver);
                if (DayCheck.of(bench, found).isEmpty()) {
                    best = found;
                }
            }
            return Math.max(0, (long) Math.ceil(solver.bestObjectiveBound() - 1e-6));
        }
    }
}
