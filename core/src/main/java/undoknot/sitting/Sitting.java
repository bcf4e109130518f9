package undoknot.sitting;

import java.math.BigDecimal;
import java.time.Instant;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import undoknot.treatment.Method;
import undoknot.treatment.Seen;
import undoknot.treatment.Stroke;
import undoknot.treatment.Treatment.Flush;
import undoknot.treatment.Treatment.Stream;
import undoknot.treatment.UsualDose;

/**
 * A flush, draw-back, purge, prime, line flush or damper pull as it stands: a row for every channel it is meant for.
 *
 * @param rows in the order in which the channels were chosen
 */
public record Sitting(Method method, List<Row> rows) {

    /** How something seen compares with how it was at the stroke before. */
    public enum Change {
        BETTER,
        SAME,
        WORSE
    }

    /** What belongs next in a channel. */
    public enum Next {
        STROKE,
        /** Fluid is left standing before the small stroke that follows. */
        SOAK,
        STROKE_AFTER_SOAK,
        DONE
    }

    /**
     * @param rounds strokes so far
     * @param totalMl what they came to, mL
     * @param atMostMl what they usually come to at most, mL; null where nothing says so
     * @param last the last stroke; null before the first
     * @param stream the stream, beside that of the stroke before at which it was seen; null when it was not seen twice
     * @param padPrint the pad print likewise
     */
    public record Row(
            String channel,
            int rounds,
            BigDecimal totalMl,
            Double atMostMl,
            Stroke last,
            Change stream,
            Change padPrint,
            Next next) {
        public boolean isDone() {
            return next == Next.DONE;
        }

        /** Whether the usual most is reached and the channel is still not done. */
        public boolean isOverUsual() {
            return !isDone() && atMostMl != null && totalMl.doubleValue() >= atMostMl;
        }
    }

    /** @param soakedAt when fluid that was left standing between strokes was called soaked */
    public static Sitting of(Flush flush, Collection<Instant> soakedAt) {
        return new Sitting(
                flush.method(),
                flush.planned().stream().map(c -> row(flush, c, soakedAt)).toList());
    }

    /** The rounds are over when every channel is at the end point. */
    public boolean isOver() {
        return rows.stream().allMatch(Row::isDone);
    }

    /** The channels that are not done yet. */
    public List<String> open() {
        return rows.stream().filter(r -> !r.isDone()).map(Row::channel).toList();
    }

    /** The channel whose turn it is: of those not done the one with the fewest strokes. */
    public Optional<Row> turn() {
        return rows.stream().filter(r -> !r.isDone()).min(Comparator.comparingInt(Row::rounds));
    }

    private static Row row(Flush flush, String channel, Collection<Instant> soakedAt) {
        List<Stroke> strokes = flush.strokes().stream()
                .filter(s -> s.channel().equals(channel))
                .toList();
        Stroke last = strokes.isEmpty() ? null : strokes.get(strokes.size() - 1);
        boolean pulses = flush.pulses() && flush.isFlush();
        return new Row(
                channel,
                strokes.size(),
                strokes.stream().map(Stroke::volumeMl).reduce(BigDecimal.ZERO, BigDecimal::add),
                pulses ? Double.valueOf(UsualDose.PULSES_ML) : null,
                last,
                change(strokes, s -> s.seen().stream(), STREAMS::get),
                change(strokes, s -> s.seen().padFifths(), f -> f),
                next(flush, strokes, last, soakedAt));
    }

    private static final Map<Stream, Integer> STREAMS = Map.of(Stream.NOTHING, 0, Stream.DRIPS, 1, Stream.WHOLE, 2);

    private static Next next(Flush flush, List<Stroke> strokes, Stroke last, Collection<Instant> soakedAt) {
        if (last == null) {
            return Next.STROKE;
        }
        if (EndPoint.of(flush.method(), flush.pulses()).isDone().test(seenLast(flush, strokes))) {
            return Next.DONE;
        }
        boolean soaks = flush.isFlush() && !flush.pulses() && strokes.size() == 1;
        if (!soaks) {
            return Next.STROKE;
        }
        boolean soaked = last.at() != null && soakedAt.stream().anyMatch(t -> !t.isBefore(last.at()));
        return soaked ? Next.STROKE_AFTER_SOAK : Next.SOAK;
    }

    /**
     * What is known at the end. A line gives its fluid first and its air last, and a damper its air first: there each mark
     * counts as it was seen last. Elsewhere they belong together, at the last stroke at which anything was seen.
     */
    private static Seen seenLast(Flush flush, List<Stroke> strokes) {
        boolean apart = flush.method() == Method.LINE || flush.method() == Method.DAMPER;
        Seen seen = Seen.NOTHING;
        for (Stroke stroke : strokes) {
            if (apart) {
                seen = stroke.seen().orElse(seen);
            } else if (!stroke.seen().isEmpty()) {
                seen = stroke.seen();
            }
        }
        return seen;
    }

    private static <T> Change change(List<Stroke> strokes, Function<Stroke, T> mark, Function<T, Integer> rank) {
        List<Integer> seen = strokes.stream()
                .map(mark)
                .filter(java.util.Objects::nonNull)
                .map(rank)
                .toList();
        if (seen.size() < 2) {
            return null;
        }
        int by = Integer.compare(seen.get(seen.size() - 1), seen.get(seen.size() - 2));
        return by > 0 ? Change.BETTER : by < 0 ? Change.WORSE : Change.SAME;
    }
}
