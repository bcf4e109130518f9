package undoknot.procedure;

import static undoknot.procedure.Act.*;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import undoknot.procedure.Act.Finding;

/**
 * How far a whole-system flush is (handbook 15): reservoir, lines, colours, strong cycles, and the test by two normal cycles in
 * a washed bottle. What is tinted asks for two or three strong ones and the same test again.
 */
public final class SystemFlush {

    /** Strong cycles before the test is made again. */
    private static final int STRONG_AGAIN = 2;

    /** Why something cannot be entered now. */
    public enum NotYet {
        /** The sum comes first: it says whether the cleaner suffices. */
        SUM_FIRST,
        /** Two or three strong cycles, a washed bottle and two normal cycles make the test; anything else is not the same. */
        NOT_THE_TEST,
        /** The outflow must be the same as fresh before the machine is stored or runs again. */
        NOT_CLEAN,
        /** The stirrer and pump stop before hands go in. */
        STIRRER_RUNS,
        /** Which line returns is proved before it is run to waste. */
        RETURN_UNPROVED
    }

    private final SystemNeed need;
    private final List<String> colours;
    private final List<Done> done;

    /**
     * @param need null while nothing was worked out
     * @param colours channels whose bottles are swapped
     * @param done in the order of time
     */
    public SystemFlush(SystemNeed need, Collection<String> colours, List<Done> done) {
        this.need = need;
        this.colours = List.copyOf(colours);
        this.done = List.copyOf(done);
    }

    /** All steps, in order; empty while nothing was worked out. */
    public List<Stage> stages() {
        if (need == null) {
            return List.of();
        }
        List<Stage> stages = new ArrayList<>();
        if (need.settles()) {
            List.of(STIRRER_OFF, INK_SAVED, RESERVOIR_DRY, STIRRER_WIPED, FILLED, RETURN_FOUND, RAN_CLEAR, REFILLED)
                    .forEach(act -> stages.add(Stage.once(act, last(act) >= 0)));
        }
        List<String> left = colours.stream()
                .filter(c -> done.stream().noneMatch(d -> d.is(SWAPPED) && c.equals(d.channel())))
                .toList();
        if (!colours.isEmpty()) {
            stages.add(new Stage(SWAPPED, colours.size() - left.size(), colours.size(), left));
        }
        stages.add(new Stage(STRONG_CYCLE, strong(), strong() + strongLeft(), List.of()));
        // After each strong cycle.
        stages.add(
                new Stage(WASTE_EMPTIED, isWasteFull() ? strong() - 1 : strong(), strong() + strongLeft(), List.of()));
        stages.add(Stage.once(LINES_SEEN, linesSeen()));
        stages.add(Stage.once(WASTE_WASHED, isWashed()));
        stages.add(new Stage(
                NORMAL_CYCLE, Math.min(SystemNeed.TEST_CYCLES, normalsSinceWash()), SystemNeed.TEST_CYCLES, List.of()));
        stages.add(Stage.once(COMPARED, isClean()));
        stages.add(Stage.once(isInkBack() ? INK_BACK : STORED, isOver()));
        return stages;
    }

    /** What comes next; empty when it is over, or nothing was worked out. */
    public Optional<Act> next() {
        if (need == null || isOver()) {
            return Optional.empty();
        }
        if (isWasteFull()) {
            return Optional.of(WASTE_EMPTIED);
        }
        return stages().stream().filter(s -> !s.isComplete()).map(Stage::act).findFirst();
    }

    public int strong() {
        return count(STRONG_CYCLE, -1);
    }

    /** Strong cycles that are still to run before the test. */
    public int strongLeft() {
        int tinted = lastFinding(COMPARED, Finding.TINTED);
        if (tinted >= 0) {
            return Math.max(0, STRONG_AGAIN - count(STRONG_CYCLE, tinted));
        }
        int missing = Math.max(0, need.strongCycles() - strong());
        boolean stillInk = lastFinding(LINES_SEEN, Finding.STILL_INK) > last(STRONG_CYCLE);
        return missing == 0 && stillInk ? 1 : missing;
    }

    /** Whether the last test came out the same as fresh cleaner, and nothing but the end came after it. */
    public boolean isClean() {
        int same = lastFinding(COMPARED, Finding.SAME_AS_FRESH);
        return same >= 0 && same > last(STRONG_CYCLE) && same > lastFinding(COMPARED, Finding.TINTED);
    }

    public boolean isOver() {
        return isClean() && (last(STORED) >= 0 || isInkBack());
    }

    /** Whether saved ink went back instead of the machine being stored. */
    public boolean isInkBack() {
        return last(INK_BACK) >= 0;
    }

    /** Why something cannot be entered now; empty when it can. */
    public Optional<NotYet> notYet(Act act) {
        if (need == null) {
            return Optional.of(NotYet.SUM_FIRST);
        }
        boolean settling = need.settles();
        return switch (act) {
            case INK_SAVED, RESERVOIR_DRY, STIRRER_WIPED, FILLED ->
                settling && last(STIRRER_OFF) < 0 ? Optional.of(NotYet.STIRRER_RUNS) : Optional.empty();
            case RAN_CLEAR ->
                settling && last(RETURN_FOUND) < 0 ? Optional.of(NotYet.RETURN_UNPROVED) : Optional.empty();
            case COMPARED -> isTest() ? Optional.empty() : Optional.of(NotYet.NOT_THE_TEST);
            case STORED, INK_BACK -> isClean() ? Optional.empty() : Optional.of(NotYet.NOT_CLEAN);
            default -> Optional.empty();
        };
    }

    private boolean isTest() {
        return strongLeft() == 0 && isWashed() && normalsSinceWash() >= SystemNeed.TEST_CYCLES;
    }

    private boolean linesSeen() {
        // Seen once, the test decides from then on.
        return last(COMPARED) >= 0
                || last(LINES_SEEN) >= 0 && last(LINES_SEEN) > last(STRONG_CYCLE) && strongLeft() == 0;
    }

    private boolean isWashed() {
        return last(WASTE_WASHED) >= 0 && last(WASTE_WASHED) > last(STRONG_CYCLE);
    }

    private boolean isWasteFull() {
        return last(STRONG_CYCLE) > Math.max(last(WASTE_EMPTIED), last(WASTE_WASHED));
    }

    private int normalsSinceWash() {
        return isWashed() ? count(NORMAL_CYCLE, last(WASTE_WASHED)) : 0;
    }

    private int last(Act act) {
        for (int i = done.size() - 1; i >= 0; i--) {
            if (done.get(i).is(act)) {
                return i;
            }
        }
        return -1;
    }

    private int lastFinding(Act act, Finding finding) {
        int last = last(act);
        return last >= 0 && done.get(last).finding() == finding ? last : -1;
    }

    private int count(Act act, int after) {
        return (int) done.stream().skip(after + 1L).filter(d -> d.is(act)).count();
    }
}
