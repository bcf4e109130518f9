package undoknot.advice;

import java.util.Collections;
import java.util.List;
import undoknot.observation.Sign;
import undoknot.treatment.Method;
import undoknot.treatment.Treatment;
import undoknot.treatment.Treatment.Place;
import undoknot.treatment.UsualDose;
import undoknot.visit.Step.Worked;
import undoknot.visit.VisitLog;

/**
 * How long the next soak lasts (handbook 8 and 18): each about four times the one before, for a short soak that did nothing
 * says that the plug is deep. Where a head stood for more than a month a plug of a millimetre is likely, which takes three hours:
 * the shorter soaks take as many minutes of hands and are left out, for the likeliest save per minute of hands.
 */
public final class SoakRung {

    private SoakRung() {}

    /** Minutes of the soak, or of another wait, that belongs to a method; null for one that does not wait. */
    public static Integer minutes(Method method, List<String> channels, VisitLog visit) {
        return minutes(method, channels, visit, List.of());
    }

    /** @param planned what is planned in these channels before it */
    static Integer minutes(Method method, List<String> channels, VisitLog visit, List<Method> planned) {
        // Only the first flush stands between its strokes; later ones go in pulses.
        int flushed = planned.contains(Method.FLUSH) && visit.times(Method.FLUSH, channels) == 0 ? 1 : 0;
        int further = flushed + (int) planned.stream().filter(SoakRung::soaks).count();
        return switch (method) {
            case FLUSH, WARM, PORT_SOAK -> of(Place.PORT, channels, visit, further);
            case TRAY_SOAK -> of(Place.TRAY, channels, visit, further);
            case PAD -> of(Place.PORT, channels, visit, further);
            default -> {
                List<Integer> usual = UsualDose.waitMinutes(method);
                int before = visit.times(method, channels) + Collections.frequency(planned, method);
                yield usual.isEmpty() ? null : usual.get(Math.min(usual.size() - 1, before));
            }
        };
    }

    private static int of(Place place, List<String> channels, VisitLog visit, int further) {
        List<Integer> ladder = UsualDose.soakLadderMinutes(place);
        int soaked = (int) visit.work().stream()
                .filter(w -> channels.stream().anyMatch(w::touches) && isSoak(w))
                .count();
        int start = visit.told().stream().anyMatch(o -> o.sign() == Sign.IDLE_OVER_MONTH) ? 2 : 0;
        return ladder.get(Math.min(ladder.size() - 1, start + soaked + further));
    }

    private static boolean soaks(Method method) {
        return method == Method.PORT_SOAK || method == Method.TRAY_SOAK || method == Method.PAD;
    }

    /** A flush soaks between its strokes. */
    private static boolean isSoak(Worked worked) {
        return worked.treatment() instanceof Treatment.Soak
                || worked.method() == Method.PAD
                || worked.treatment() instanceof Treatment.Flush flush && flush.isFlush() && stoodBetween(flush);
    }

    /** More than one stroke in a channel, and no pulses: the first stood before the next. */
    private static boolean stoodBetween(Treatment.Flush flush) {
        return !flush.pulses() && flush.strokes().size() > flush.channels().size();
    }
}
