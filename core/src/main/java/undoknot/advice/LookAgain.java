package undoknot.advice;

import static undoknot.advice.Advice.Rule.LOOK_AGAIN;

import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import undoknot.observation.Fact;
import undoknot.observation.Look;
import undoknot.observation.Observation;
import undoknot.observation.Sign;
import undoknot.visit.CurrentFindings;

/**
 * Looks that are taken a second time: one look never ends a visit by itself, and what was mended is looked at again (handbook
 * 6 and 13, rule 0).
 */
final class LookAgain {

    /** Findings that would end a visit, or take most of the treatments from it. */
    private static final Set<Sign> GRAVE = EnumSet.of(Sign.CARRIAGE_STANDS, Sign.FACE_DAMAGED);

    /** What the map does not show once it is mended: somebody has to look. */
    private static final Set<Look> UNSEEN_ON_MAP = EnumSet.of(Look.UNDERSIDE, Look.ENCODER, Look.STATION);

    private LookAgain() {}

    static boolean isSure(AdviceContext context, Observation finding) {
        return times(context, finding) > 1;
    }

    /** How often somebody took a look in a channel. */
    static long timesLooked(AdviceContext context, Look look, String channel) {
        return context.visit.looks().stream()
                .filter(o -> look.findings().contains(o.sign()) && java.util.Objects.equals(o.channel(), channel))
                .count();
    }

    private static long times(AdviceContext context, Observation finding) {
        return context.visit.looks().stream()
                .filter(o -> o.sign() == finding.sign() && java.util.Objects.equals(o.channel(), finding.channel()))
                .count();
    }

    static Optional<Advice> of(AdviceContext context) {
        Optional<Observation> grave = context.found.stream()
                .filter(o -> GRAVE.contains(o.sign()) && !isSure(context, o))
                .findFirst();
        if (grave.isPresent()) {
            return grave.map(
                    o -> look(Look.making(o.sign()).orElseThrow(), o.channel()).because(o.sign()));
        }
        return CurrentFindings.mendedUnseen(context.visit).stream()
                .filter(o -> matters(context, o))
                .map(o -> look(Look.making(o.sign()).orElseThrow(), o.channel()).because(o.sign()))
                .findFirst();
    }

    /** Whether the check does not tell by itself that the mend has worked. */
    private static boolean matters(AdviceContext context, Observation mended) {
        Look look = Look.making(mended.sign()).orElseThrow();
        return RepairOfFinding.mends(mended.sign())
                && (UNSEEN_ON_MAP.contains(look)
                        || mended.channel() != null && context.affected.contains(mended.channel()));
    }

    private static Advice look(Look look, String channel) {
        return Advice.toLook(
                LOOK_AGAIN, look, channel == null ? List.of() : List.of(channel), Map.<Fact, Integer>of(), null, null);
    }
}
