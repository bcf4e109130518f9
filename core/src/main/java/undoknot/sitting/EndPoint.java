package undoknot.sitting;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import undoknot.treatment.Method;
import undoknot.treatment.Seen;
import undoknot.treatment.Seen.Mark;
import undoknot.treatment.Treatment.Effluent;
import undoknot.treatment.Treatment.Resistance;
import undoknot.treatment.Treatment.Stream;

/**
 * What a method by strokes looks at, and when a channel is done (handbook 8): an end point, never a count.
 *
 * @param marks what is looked at, in the order in which it shows
 * @param isDone whether these are the end point
 */
public record EndPoint(List<Mark> marks, Predicate<Seen> isDone) {

    private static final EndPoint FLUSHED = new EndPoint(
            List.of(Mark.RESISTANCE, Mark.EFFLUENT, Mark.STREAM, Mark.FRESH_PAD),
            seen -> isLikeFresh(seen) && seen.stream() == Stream.WHOLE && is(seen.freshPad()));

    /** Pulses are read by the pad print, until the whole row delivers. */
    private static final EndPoint PULSED = new EndPoint(
            List.of(Mark.RESISTANCE, Mark.EFFLUENT, Mark.PAD_PRINT),
            seen -> seen.padFifths() != null && seen.padFifths() == Seen.WHOLE_ROW);

    /** The dose is given, unless the port would not take it. */
    private static final EndPoint DOSE_GIVEN =
            new EndPoint(List.of(Mark.RESISTANCE), seen -> seen.resistance() != Resistance.WOULD_NOT_GO);

    private static final Map<Method, EndPoint> TABLE = new EnumMap<>(Map.of(
            Method.FLUSH,
            FLUSHED,
            Method.WARM,
            FLUSHED,
            Method.PURGE,
            DOSE_GIVEN,
            Method.PRIME,
            DOSE_GIVEN,
            Method.DRAW_BACK,
            new EndPoint(
                    List.of(Mark.BUBBLES, Mark.EFFLUENT, Mark.RESISTANCE),
                    seen -> isNot(seen.bubbles()) && isLikeFresh(seen)),
            Method.LINE,
            new EndPoint(
                    List.of(Mark.SEDIMENT, Mark.EFFLUENT, Mark.AIR),
                    seen -> isNot(seen.sediment()) && isLikeFresh(seen) && is(seen.air())),
            Method.DAMPER,
            new EndPoint(
                    List.of(Mark.AIR, Mark.RESISTANCE),
                    seen -> is(seen.air()) && seen.resistance() == Resistance.FREE)));

    /** @param pulses whether a flush goes in pulses; of no meaning for other methods */
    public static EndPoint of(Method method, boolean pulses) {
        boolean flush = method == Method.FLUSH || method == Method.WARM;
        EndPoint known = flush && pulses ? PULSED : TABLE.get(method);
        if (known == null) {
            throw new IllegalArgumentException(method + " does not go by strokes");
        }
        return known;
    }

    private static boolean isLikeFresh(Seen seen) {
        return seen.effluent() == Effluent.LIKE_FRESH;
    }

    private static boolean is(Boolean seen) {
        return Boolean.TRUE.equals(seen);
    }

    private static boolean isNot(Boolean seen) {
        return Boolean.FALSE.equals(seen);
    }
}
