package undoknot.plan;

import java.util.ArrayList;
import java.util.List;
import undoknot.plan.Branch.After;
import undoknot.plan.Branch.Then;
import undoknot.treatment.Method;
import undoknot.visit.VisitLog;

/** What follows each attempt of a plan, by what its check says (handbook 13, rules 1, 2 and 8 to 11). */
final class Branches {

    private static final int TWO_CHANNELS = 2;

    private Branches() {}

    static List<PlannedAttempt> of(List<PlannedAttempt> attempts, VisitLog visit) {
        List<PlannedAttempt> branched = new ArrayList<>();
        for (int i = 0; i < attempts.size(); i++) {
            PlannedAttempt attempt = attempts.get(i);
            branched.add(attempt.with(branches(attempt, attempts.subList(i + 1, attempts.size()), visit)));
        }
        return branched;
    }

    private static List<Branch> branches(PlannedAttempt attempt, List<PlannedAttempt> later, VisitLog visit) {
        Method method = attempt.method();
        List<Branch> branches = new ArrayList<>();
        branches.add(new Branch(After.ACCEPTED, Then.FINISH, null, null));
        int goes = visit.times(method, attempt.channels()) + 1;
        boolean again = method == Method.CYCLE ? goes < Method.CYCLE.rungs() : goes < method.cap();
        if (again) {
            branches.add(new Branch(After.GOOD, Then.SAME_AGAIN, method, attempt.number()));
        }
        PlannedAttempt longer = longer(attempt, later);
        if (longer != null) {
            branches.add(new Branch(After.SOME, Then.LONGER, longer.method(), longer.number()));
        }
        PlannedAttempt next = later.stream()
                .filter(a -> a.channels().stream().anyMatch(attempt.channels()::contains))
                .findFirst()
                .orElse(later.isEmpty() ? null : later.get(0));
        branches.add(
                next == null
                        ? new Branch(After.NONE, Then.GIVE_UP, null, null)
                        : new Branch(After.NONE, Then.NEXT, next.method(), next.number()));
        boolean cyclesOrWipes = method == Method.CYCLE || method == Method.CYCLE_STRONG || method == Method.WIPE;
        boolean stationLeft = visit.times(Method.STATION) < Method.STATION.rungs();
        if (cyclesOrWipes && stationLeft && visit.family().channels().size() >= TWO_CHANNELS) {
            branches.add(new Branch(After.WORSE, Then.STATION, Method.STATION, null));
        }
        return branches;
    }

    /** One rung longer, or warmer. */
    private static PlannedAttempt longer(PlannedAttempt attempt, List<PlannedAttempt> later) {
        return later.stream()
                .filter(a -> a.channels().stream().anyMatch(attempt.channels()::contains))
                .filter(a -> attempt.method() == Method.FLUSH
                        ? a.method() == Method.WARM || a.method() == Method.PORT_SOAK
                        : a.method() == attempt.method())
                .findFirst()
                .orElse(null);
    }
}
