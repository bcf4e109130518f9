package undoknot.measure;

import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import undoknot.nozzle.ChannelMap;
import undoknot.nozzle.NozzleMap;
import undoknot.nozzle.NozzleState;
import undoknot.simulator.Strokes;

/** Counts over some sheets. A channel that prints with another's ink has no state: whatever is read there is wrong. */
final class ReadingTally {

    static final String HEAD =
            "| degradation | sheets | refused | placed wrong | nozzles | right of those read | missing called firing | firing called missing | other ink given a state | weak found | deflected found | unread |\n"
                    + "|---|---|---|---|---|---|---|---|---|---|---|---|";

    /** A sheet with more wrong than this share of what was read was laid on the wrong place. */
    private static final double PLACED_WRONG = 0.05;

    private int sheets;
    private int refused;
    private int placedWrong;
    private int nozzles;
    private int unread;
    private int right;
    private int foreignRead;
    private int missingCalledFiring;
    private int firingCalledMissing;
    private final int[] weak = new int[2];
    private final int[] deflected = new int[2];
    final Map<String, Integer> mistakes = new TreeMap<>();

    void refused() {
        sheets++;
        refused++;
    }

    void add(ReadingTally o) {
        sheets += o.sheets;
        refused += o.refused;
        placedWrong += o.placedWrong;
        nozzles += o.nozzles;
        unread += o.unread;
        right += o.right;
        foreignRead += o.foreignRead;
        missingCalledFiring += o.missingCalledFiring;
        firingCalledMissing += o.firingCalledMissing;
        for (int i = 0; i < 2; i++) {
            weak[i] += o.weak[i];
            deflected[i] += o.deflected[i];
        }
        o.mistakes.forEach((what, count) -> mistakes.merge(what, count, Integer::sum));
    }

    int wrong() {
        return nozzles - unread - right;
    }

    int unread() {
        return unread;
    }

    void compare(Strokes strokes, NozzleMap read) {
        sheets++;
        NozzleMap truth = strokes.truth();
        for (String code : truth.channels().keySet()) {
            ChannelMap t = truth.channel(code);
            ChannelMap r = read.channel(code);
            boolean foreign = strokes.inks().containsKey(code);
            for (int n = 1; n <= t.size(); n++) {
                boolean otherInk = foreign && t.state(n) != NozzleState.MISSING;
                compare(otherInk ? null : t.state(n), r.state(n));
            }
        }
        placedWrong += wrong() > PLACED_WRONG * (nozzles - unread) && foreignRead == 0 ? 1 : 0;
    }

    private void compare(NozzleState truth, NozzleState read) {
        nozzles++;
        count(weak, NozzleState.WEAK, truth, read);
        count(deflected, NozzleState.DEFLECTED, truth, read);
        if (read == NozzleState.UNREAD) {
            unread++;
            return;
        }
        if (read == truth) {
            right++;
            return;
        }
        mistakes.merge((truth == null ? "other ink" : truth.letter()) + "→" + read.letter(), 1, Integer::sum);
        foreignRead += truth == null ? 1 : 0;
        missingCalledFiring += truth == NozzleState.MISSING && read == NozzleState.FIRING ? 1 : 0;
        firingCalledMissing += truth == NozzleState.FIRING && read == NozzleState.MISSING ? 1 : 0;
    }

    private static void count(int[] of, NozzleState state, NozzleState truth, NozzleState read) {
        if (truth == state) {
            of[0]++;
            of[1] += read == state ? 1 : 0;
        }
    }

    private static String share(int part, int of) {
        return of == 0 ? "–" : String.format(Locale.ROOT, "%.1f %%", 100.0 * part / of);
    }

    String row(String name) {
        return String.format(
                Locale.ROOT,
                "| %s | %d | %d | %d | %d | %s | %d | %d | %d | %s | %s | %s |",
                name,
                sheets,
                refused,
                placedWrong,
                nozzles,
                nozzles == unread ? "–" : String.format(Locale.ROOT, "%.3f %%", 100.0 * right / (nozzles - unread)),
                missingCalledFiring,
                firingCalledMissing,
                foreignRead,
                share(weak[1], weak[0]),
                share(deflected[1], deflected[0]),
                share(unread, nozzles));
    }
}
