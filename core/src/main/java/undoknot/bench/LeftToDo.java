package undoknot.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import undoknot.bench.Stints.Cut;
import undoknot.bench.Stints.Round;
import undoknot.plan.Doing;
import undoknot.plan.Plan;
import undoknot.plan.PlanStep;
import undoknot.plan.PlannedAttempt;
import undoknot.treatment.Method;
import undoknot.treatment.Site;

/**
 * What a head still takes, by its plan: the steps in hand, then the attempts that it is likely to come to, then what goes after them all.
 * What it comes to less often is told as the chance of another round.
 */
public final class LeftToDo {

    /** Attempts that fewer than so many of such heads come to are not reckoned with. */
    private static final double LIKELY = 0.5;

    private LeftToDo() {}

    /**
     * A head as it stands.
     *
     * @param id of its visit
     * @param attempts logged on it so far
     * @param due minute by which it is promised; null for none
     */
    public record Head(String id, String tag, Site site, int attempts, Integer due) {}

    /**
     * Steps that are gone through one by one.
     *
     * @param done how many of them are done
     * @param isLogged whether their work stands in the record already
     * @param chance that this attempt suffices
     */
    public record InHand(Method method, List<PlanStep> steps, int done, boolean isLogged, double chance) {
        public InHand {
            steps = List.copyOf(steps);
        }
    }

    /**
     * A clock that runs.
     *
     * @param minutes that are left; below zero when it is over and nobody came
     * @param method of the work that it belongs to; null for another wait
     */
    public record Running(int minutes, Method method) {}

    /**
     * @param inHand null where nobody goes through steps
     * @param running null where no clock runs
     */
    public static HeadJob of(Head head, Plan plan, InHand inHand, Running running) {
        List<Round> rounds = new ArrayList<>();
        List<PlannedAttempt> next = plan.attempts();
        int before = head.attempts;
        double reached = 1;
        if (inHand == null) {
            rounds.add(new Round("before", null, plan.before(), 0));
        } else {
            before -= inHand.isLogged ? 1 : 0;
            rounds.add(new Round(name(before + 1), inHand.method, inHand.steps, inHand.done));
            boolean isFirst = !inHand.isLogged && !next.isEmpty() && next.get(0).method() == inHand.method;
            if (isFirst) {
                next = next.subList(1, next.size());
            } else {
                before++;
                reached = 1 - inHand.chance;
            }
        }
        int likely = 0;
        for (PlannedAttempt attempt : next) {
            boolean always = likely == 0 && inHand == null;
            if (!always && reached * attempt.reached() < LIKELY) {
                break;
            }
            rounds.add(new Round(name(before + attempt.number()), attempt.method(), attempt.steps(), 0));
            likely++;
        }
        rounds.add(new Round("after", null, plan.after(), 0));
        PlannedAttempt another = likely < next.size() ? next.get(likely) : null;
        double again = another == null ? 0 : reached * another.reached();
        double againHands = another == null
                ? 0
                : another.steps().stream().mapToDouble(PlanStep::handsMinutes).sum();
        return job(head, Stints.of(head.site, rounds), inHand != null, running, again, (int) Math.ceil(againHands));
    }

    /**
     * A head that came for an ink change or a whole-system flush: what is left of that, and what goes around it.
     *
     * @param steps of that work, not done yet
     * @param running null where no clock runs
     */
    public static HeadJob procedure(Head head, Plan plan, List<PlanStep> steps, Running running) {
        List<Round> rounds = new ArrayList<>();
        rounds.add(new Round("before", null, plan.before(), 0));
        // Each by itself, so that the others keep their names when it is done.
        steps.forEach(step -> rounds.add(new Round("steps", null, List.of(step), 0)));
        rounds.add(new Round("after", null, plan.after(), 0));
        return job(head, Stints.of(head.site, rounds), false, running, 0, 0);
    }

    private static String name(int number) {
        return String.valueOf(number);
    }

    private static HeadJob job(Head head, Cut cut, boolean inHand, Running running, double again, int againHands) {
        int from = cut.waits();
        int slack = cut.slack();
        Set<Place> runsIn = cut.runsIn();
        if (running != null) {
            if (from == 0 || !inHand) {
                slack = Overnight.slack(running.method);
                runsIn = standsIn(running.method, head.site);
            }
            // Beside a hold that runs already; the longer of both.
            from = inHand ? Math.max(0, running.minutes) : Math.max(from, running.minutes);
            // Of what is over for a while so much less is left.
            slack = slack == Stint.ANY ? slack : Math.max(0, slack + Math.min(0, running.minutes));
        }
        int until = slack == Stint.ANY ? Stint.ANY : from + slack;
        return new HeadJob(head.id, head.tag, cut.stints(), head.due, from, until, runsIn, again, againHands);
    }

    private static Set<Place> standsIn(Method method, Site site) {
        if (method == null) {
            return Set.of();
        }
        return switch (method) {
            case TRAY_SOAK -> Set.of(Place.TRAY);
            case BATH -> Set.of(Place.BATH);
            default -> site == Site.IN_CARRIAGE ? Set.of(Place.PRINTER) : Set.of();
        };
    }

    /** Whether somebody has hands on it: what waits, or only has to be seen, may be begun by anybody. */
    public static boolean isUnderHands(PlanStep now) {
        return !Piece.waits(now) && now.doing() != Doing.HOLD && now.handsMinutes() + now.waitMinutes() > 0;
    }
}
