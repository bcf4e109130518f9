package undoknot.server.view;

import java.math.BigDecimal;
import java.util.List;
import org.springframework.lang.Nullable;
import undoknot.server.visit.Attempt;
import undoknot.server.visit.LoggedVisit;
import undoknot.server.visit.Sittings;
import undoknot.sitting.Rinse;
import undoknot.sitting.Sitting;
import undoknot.sitting.Turn;

/**
 * How far the rounds of a sitting are.
 *
 * @param open whether it goes on
 * @param rows of work by strokes, a row for each channel; empty for a rinse
 * @param rinse of a rinse, a row for each channel; empty otherwise
 * @param deionisedMissing whether a rinse that runs clear still lacks its last turn with deionised water
 */
public record RoundsView(boolean open, List<RowView> rows, List<RinseRowView> rinse, boolean deionisedMissing) {

    /**
     * @param rounds strokes so far
     * @param atMostMl what they usually come to at most; absent where nothing says so
     * @param stream beside the stream seen before; absent when it was not seen twice
     */
    public record RowView(
            String channel,
            int rounds,
            BigDecimal totalMl,
            @Nullable Double atMostMl,
            boolean overUsual,
            @Nullable Sitting.Change stream,
            @Nullable Sitting.Change padPrint,
            Sitting.Next next) {
        static RowView of(Sitting.Row r) {
            return new RowView(
                    r.channel(),
                    r.rounds(),
                    r.totalMl(),
                    r.atMostMl(),
                    r.isOverUsual(),
                    r.stream(),
                    r.padPrint(),
                    r.next());
        }
    }

    /** @param seen whether its colour has come out: one that has not is the blocked one */
    public record RinseRowView(String channel, boolean seen, List<Turn.Way> clearBy, boolean done) {}

    @Nullable
    static RoundsView of(Attempt attempt, LoggedVisit logged) {
        boolean open = Sittings.isOpen(logged, attempt);
        return Sittings.of(logged, attempt)
                .map(sitting -> new RoundsView(
                        open, sitting.rows().stream().map(RowView::of).toList(), List.of(), false))
                .or(() -> Sittings.rinse(logged, attempt).map(rinse -> of(rinse, open)))
                .orElse(null);
    }

    private static RoundsView of(Rinse rinse, boolean open) {
        return new RoundsView(
                open,
                List.of(),
                rinse.channels().stream()
                        .map(r -> new RinseRowView(r.channel(), r.seen(), r.clearBy(), r.isDone()))
                        .toList(),
                rinse.allClear() && !rinse.lastDeionised());
    }
}
