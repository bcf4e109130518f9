package undoknot.finish;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import undoknot.nozzle.Acceptance;
import undoknot.nozzle.CoarseReading;
import undoknot.outcome.Outcome;
import undoknot.outcome.Outcome.Doubt;
import undoknot.outcome.Purpose;
import undoknot.visit.Step.Checked;
import undoknot.visit.VisitLog;

/** What readings, steps and pages show at the end of a visit, and the outcome they speak for (handbook 13 and 14). */
public final class SignOff {

    private SignOff() {}

    /** @param stepsDone whether every step of an ink change or a flush is done; true for other visits */
    public static Outcome.Shown shown(VisitLog visit, boolean stepsDone) {
        return new Outcome.Shown(
                visit.verdict(), visit.firstToLast().orElse(null), visit.isReadyToRefit(), stepsDone, open(visit));
    }

    /** What is still open, whatever the last reading says. */
    public static Set<Doubt> open(VisitLog visit) {
        Map<Doubt, Boolean> isOpen = new EnumMap<>(Map.of(
                Doubt.WORK_UNCHECKED, !Unchecked.of(visit).isEmpty(),
                Doubt.NOT_PROVEN, Proof.of(visit).stream().anyMatch(p -> p.state() != Proof.State.SHOWN),
                Doubt.FOUND_LEFT, !FoundAndMended.left(visit).isEmpty(),
                Doubt.STATION_LEFT, LastSteps.wantStation(visit),
                Doubt.PAGE_LEFT, LastSteps.wantPage(visit),
                Doubt.ALIGNMENT_OPEN, Alignment.of(visit).isOpen()));
        isOpen.values().removeIf(open -> !open);
        return isOpen.keySet();
    }

    /**
     * The outcome that has no doubt against it; null where none speaks for itself.
     *
     * @param inkBack whether the saved ink of a whole-system flush runs again
     */
    public static Outcome proposed(Purpose purpose, VisitLog visit, boolean stepsDone, boolean inkBack) {
        Outcome.Shown shown = shown(visit, stepsDone);
        Outcome best = best(purpose, visit, inkBack);
        if (best.doubt(shown).isEmpty()) {
            return best;
        }
        boolean ready = purpose.outcomes().contains(Outcome.READY_TO_REFIT)
                && visit.verdict() == null
                && Outcome.READY_TO_REFIT.doubt(shown).isEmpty();
        return ready ? Outcome.READY_TO_REFIT : null;
    }

    /** What is still to do before the best outcome of a purpose may be claimed, in the order in which it is seen to. */
    public static List<Doubt> toDo(Purpose purpose, VisitLog visit, boolean inkBack) {
        Outcome best = best(purpose, visit, inkBack);
        return open(visit).stream().filter(doubt -> doubt.holdsAgainst(best)).toList();
    }

    private static Outcome best(Purpose purpose, VisitLog visit, boolean inkBack) {
        return switch (purpose) {
            case INK_CHANGE -> Outcome.CHANGED_OVER;
            case SYSTEM_FLUSH -> inkBack ? Outcome.INK_RETURNED : Outcome.STORED_CLEAN;
            case CHECK_OVER -> isWorkedOn(visit) ? mended(visit) : Outcome.CHECKED;
            case REPAIR -> mended(visit);
        };
    }

    private static Outcome mended(VisitLog visit) {
        return wasSound(visit) ? Outcome.FAULT_MENDED : Outcome.RECOVERED;
    }

    private static boolean isWorkedOn(VisitLog visit) {
        return visit.work().stream().anyMatch(w -> !w.method().settles());
    }

    /** Whether the first reading already showed every nozzle as the job wants it. */
    private static boolean wasSound(VisitLog visit) {
        Checked first = visit.checks().stream()
                .filter(c -> c.map() != null || c.coarse() != null)
                .findFirst()
                .orElse(null);
        if (first == null || first.isOffMachine() || !isWorkedOn(visit)) {
            return false;
        }
        return first.map() != null
                ? visit.acceptance(first.map()).verdict() == Acceptance.Verdict.MET
                : first.coarse().channels().values().stream()
                        .map(CoarseReading.Line::level)
                        .allMatch(level -> level != null && level.isBest());
    }
}
