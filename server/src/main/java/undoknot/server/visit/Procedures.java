package undoknot.server.visit;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import undoknot.fluid.InkChemistry;
import undoknot.head.Channel;
import undoknot.outcome.Purpose;
import undoknot.procedure.Act;
import undoknot.procedure.Done;
import undoknot.procedure.InkChange;
import undoknot.procedure.SystemFlush;
import undoknot.treatment.Stroke;
import undoknot.treatment.Treatment;

/** An ink change or a whole-system flush as its entries, cycles and strokes have it. */
public final class Procedures {

    private Procedures() {}

    public static SystemFlush systemFlush(LoggedVisit logged) {
        List<String> colours =
                logged.family().channels().stream().map(Channel::code).toList();
        // The settling ink has a reservoir of its own; the bottles are the others.
        List<String> bottles = logged.need().system() == null
                ? colours
                : colours.stream()
                        .filter(code -> !logged.need().system().settles()
                                || !logged.intake().inks().containsKey(code)
                                || logged.intake().inks().get(code) != InkChemistry.SETTLING_PIGMENT)
                        .toList();
        return new SystemFlush(logged.need().system(), bottles, done(logged));
    }

    public static InkChange inkChange(LoggedVisit logged) {
        return new InkChange(logged.need().ink(), logged.family(), done(logged));
    }

    /** Whether the steps that lead a visit are all done; true for one that is led by none. */
    public static boolean isOver(LoggedVisit logged) {
        return switch (logged.purpose()) {
            case INK_CHANGE -> inkChange(logged).isOver();
            case SYSTEM_FLUSH -> systemFlush(logged).isOver();
            default -> true;
        };
    }

    /**
     * Whether cycles are the work itself: of a whole-system flush, and of an ink change where nothing may be pushed or drawn.
     * Elsewhere they are counted as on any head.
     */
    public static boolean goesByCycles(LoggedVisit logged) {
        return logged.purpose() == Purpose.SYSTEM_FLUSH
                || logged.purpose() == Purpose.INK_CHANGE
                        && inkChange(logged).rows().stream().anyMatch(r -> r.way() == InkChange.Way.CYCLES);
    }

    /** Every stroke of a visit that stands. */
    public static List<Stroke> strokes(LoggedVisit logged) {
        return logged.attemptsThatStand().stream()
                .map(logged::treatment)
                .filter(Treatment.Flush.class::isInstance)
                .flatMap(t -> ((Treatment.Flush) t).strokes().stream())
                .toList();
    }

    private static List<Done> done(LoggedVisit logged) {
        record At(Instant at, Done done) {}
        List<At> all = new ArrayList<>();
        logged.procedureThatStands().forEach(e -> all.add(new At(e.enteredAt, e.done())));
        for (Attempt attempt : logged.attemptsThatStand()) {
            Treatment treatment = logged.treatment(attempt);
            if (treatment instanceof Treatment.Cycle cycle && logged.purpose() == Purpose.SYSTEM_FLUSH) {
                Act act = cycle.strength() == Treatment.Strength.STRONG ? Act.STRONG_CYCLE : Act.NORMAL_CYCLE;
                for (int i = 0; i < cycle.count(); i++) {
                    all.add(new At(attempt.startedAt, Done.of(act)));
                }
            } else if (treatment instanceof Treatment.Flush flush) {
                flush.strokes().forEach(s -> {
                    Instant at = s.at() == null ? attempt.startedAt : s.at();
                    all.add(new At(at, Done.stroke(s.channel(), s.volumeMl())));
                    Act.Finding pad = padOf(s);
                    if (pad != null) {
                        all.add(new At(at, new Done(Act.PAD_SEEN, s.channel(), null, pad)));
                    }
                });
            }
        }
        return all.stream().sorted(Comparator.comparing(At::at)).map(At::done).toList();
    }

    /** What a fresh pad under a stroke showed; an old one hides colour, and then nothing was seen. */
    private static Act.Finding padOf(Stroke stroke) {
        if (!Boolean.TRUE.equals(stroke.seen().freshPad()) || stroke.seen().effluent() == null) {
            return null;
        }
        return stroke.seen().effluent() == Treatment.Effluent.LIKE_FRESH ? Act.Finding.NO_COLOUR : Act.Finding.COLOUR;
    }
}
