package undoknot.finish;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalInt;
import java.util.stream.IntStream;
import undoknot.head.Machine;
import undoknot.sitting.AlignmentPass;
import undoknot.treatment.Method;
import undoknot.treatment.Site;
import undoknot.visit.Step;
import undoknot.visit.VisitLog;

/**
 * How far the alignment of a head is (handbook 14). A scale that re-centres is settled when every position lies within one of
 * its centre, one that stands when none moved by more than one from the pass before. Not settled in two passes: the encoder
 * strip, two more passes, then accepted with a note, or elsewhere.
 *
 * @param passes since the head was last refitted, in order
 * @param strip whether the encoder strip was cleaned before the last passes
 * @param unmeasured whether it was aligned without a step being entered, as older entries were
 */
public record Alignment(List<AlignmentPass> passes, boolean strip, State state, boolean unmeasured) {

    /** A position that moves by no more than this has settled, steps. */
    public static final int SETTLED_STEPS = 1;

    /** Passes before the strip is cleaned, and again after it. */
    public static final int PASSES = 2;

    public enum State {
        FIRST_PASS,
        NEXT_PASS,
        CLEAN_STRIP,
        /** Two passes after the strip did not settle either. */
        NOTE_OR_ELSEWHERE,
        SETTLED,
        /** It did not settle, and a technician let it stand. */
        ACCEPTED
    }

    public Alignment {
        passes = List.copyOf(passes);
    }

    public static Alignment of(VisitLog visit) {
        List<AlignmentPass> passes = new ArrayList<>();
        boolean strip = false;
        boolean unmeasured = false;
        int sinceStrip = 0;
        for (Step step : visit.steps()) {
            if (step instanceof Step.Moved moved && moved.to() == Site.IN_CARRIAGE) {
                // What was set before the head came out says nothing of how it sits now.
                passes.clear();
                strip = false;
                unmeasured = false;
                sinceStrip = 0;
            } else if (step instanceof Step.Worked worked && worked.method() == Method.STRIP) {
                strip = true;
                sinceStrip = 0;
            } else if (step instanceof Step.Worked worked && worked.method() == Method.ALIGN) {
                unmeasured |= worked.noted().pass() == null;
                if (worked.noted().pass() != null) {
                    passes.add(worked.noted().pass());
                    sinceStrip++;
                }
            }
        }
        return new Alignment(passes, strip, state(passes, strip, sinceStrip), unmeasured);
    }

    private static State state(List<AlignmentPass> passes, boolean strip, int sinceStrip) {
        if (passes.isEmpty()) {
            return State.FIRST_PASS;
        }
        if (isSettled(passes)) {
            return State.SETTLED;
        }
        if (sinceStrip < PASSES) {
            return State.NEXT_PASS;
        }
        if (!strip) {
            return State.CLEAN_STRIP;
        }
        // A note lets nothing stand before the strip was cleaned and two more passes were printed.
        return passes.get(passes.size() - 1).accepted() ? State.ACCEPTED : State.NOTE_OR_ELSEWHERE;
    }

    private static boolean isSettled(List<AlignmentPass> passes) {
        int last = passes.size() - 1;
        return IntStream.range(0, passes.get(last).best().size()).allMatch(position -> {
            OptionalInt moved = moved(passes, last, position);
            return moved.isPresent() && Math.abs(moved.getAsInt()) <= SETTLED_STEPS;
        });
    }

    /** Steps by which a pass moved a position; empty where there is nothing yet to hold it against. */
    public OptionalInt moved(int pass, int position) {
        return moved(passes, pass, position);
    }

    private static OptionalInt moved(List<AlignmentPass> passes, int pass, int position) {
        AlignmentPass now = passes.get(pass);
        if (now.scale().recentres()) {
            return OptionalInt.of(now.best().get(position) - now.scale().centre());
        }
        if (pass == 0 || !passes.get(pass - 1).scale().equals(now.scale())) {
            return OptionalInt.empty();
        }
        return OptionalInt.of(
                now.best().get(position) - passes.get(pass - 1).best().get(position));
    }

    /** Whether it is over: settled, or let stand. */
    public boolean isOver() {
        return state == State.SETTLED || state == State.ACCEPTED;
    }

    /** Whether passes were printed and none has settled it. */
    public boolean isOpen() {
        return !passes.isEmpty() && !isOver();
    }

    /** What the printer stands at for the next pass, one step a position: the centre where it re-centres, else the last choice. */
    public List<Integer> proposed(Machine.Alignment scale) {
        boolean stands = !passes.isEmpty()
                && !scale.recentres()
                && passes.get(passes.size() - 1).scale().equals(scale);
        return stands
                ? passes.get(passes.size() - 1).best()
                : IntStream.range(0, scale.positions())
                        .mapToObj(i -> scale.centre())
                        .toList();
    }
}
