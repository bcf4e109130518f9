package undoknot.server.view;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import undoknot.nozzle.NozzleMap;
import undoknot.nozzle.NozzleState;
import undoknot.server.visit.Attempt;
import undoknot.server.visit.LoggedVisit;
import undoknot.server.visit.NozzleCheck;
import undoknot.treatment.NoPower;
import undoknot.visit.HeadNow;

/** The thread of a visit as the screens draw it. */
final class ThreadOfVisit {

    private ThreadOfVisit() {}

    /** The thread of the visit: what happened, in order, each attempt with its knot. */
    static List<Bead> thread(LoggedVisit logged, Instant now) {
        List<Bead> beads = new ArrayList<>();
        beads.add(new Bead(Bead.Kind.TAKE_IN, logged.visit().id, logged.visit().openedAt, null, null, null, null));
        for (NozzleCheck check : logged.checks()) {
            NozzleMap map = logged.map(check);
            Integer out = map == null ? null : map.count(NozzleState.MISSING);
            beads.add(new Bead(Bead.Kind.CHECK, check.id, check.takenAt, null, null, out, null));
        }
        for (Attempt attempt : logged.attemptsThatStand()) {
            beads.add(new Bead(
                    Bead.Kind.ATTEMPT, attempt.id, attempt.startedAt, attempt.kind, logged.knot(attempt), null, null));
        }
        HeadNow head = logged.headNow(now);
        head.kept(NoPower.HOLD)
                .ifPresent(hold -> beads.add(new Bead(
                        Bead.Kind.HOLD,
                        logged.visit().id,
                        head.wettings().get(0).since(),
                        null,
                        null,
                        null,
                        null)));
        if (logged.visit().closedAt != null) {
            beads.add(new Bead(
                    Bead.Kind.RETURN,
                    logged.visit().id,
                    logged.visit().closedAt,
                    null,
                    null,
                    null,
                    logged.visit().outcome));
        }
        beads.sort(Comparator.comparing(Bead::at));
        return beads;
    }
}
