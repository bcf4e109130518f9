package undoknot.advice;

import static undoknot.advice.Advice.Rule.COMPLAINT;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import undoknot.advice.Advice.Act;
import undoknot.observation.Look;
import undoknot.observation.Sign;
import undoknot.treatment.Method;

/**
 * What the customer complained of and a nozzle check cannot show is looked into before the head counts as finished, and what
 * hints at the supply before the nozzles are touched (handbook 6 and 13, rule 0).
 */
final class Complaint {

    /**
     * What explains a complaint.
     *
     * @param look taken and found fine
     * @param mend what it found mended, which explains it as well
     * @param twice whether one fine look is not enough to send the customer home with it
     */
    private record Explained(Look look, Method mend, boolean twice) {}

    private static final Map<Sign, Explained> BY = new EnumMap<>(Map.of(
            Sign.TOLD_SMEARS, new Explained(Look.UNDERSIDE, Method.UNDERSIDE, true),
            Sign.TOLD_BANDING, new Explained(Look.ENCODER, Method.STRIP, true),
            Sign.TOLD_MORE_AFTER_CLEANING, new Explained(Look.STATION, Method.STATION, false),
            Sign.TOLD_HEAD_ERROR, new Explained(Look.ERRORS, Method.RESEAT, false),
            Sign.TOLD_NOT_RECOGNISED, new Explained(Look.RECOGNITION, Method.RESEAT, false),
            Sign.TOLD_CARRIAGE_STANDS, new Explained(Look.INK_AT_ALL, Method.RESEAT, false)));

    /** What leaves the nozzle check good and spoils the print. */
    private static final List<Look> BROUGHT_BY = List.of(Look.STATION, Look.UNDERSIDE, Look.ENCODER);

    private final AdviceContext context;

    private Complaint(AdviceContext context) {
        this.context = context;
    }

    /** What is still to be looked into; empty when everything told has been explained. */
    static Optional<Advice> open(AdviceContext context) {
        Complaint complaint = new Complaint(context);
        return Stream.concat(
                        new SupplyWalk(context).open().stream(),
                        BY.entrySet().stream()
                                .filter(e -> context.told(e.getKey()))
                                .flatMap(e -> complaint.open(e.getKey(), e.getValue()).stream()))
                .findFirst()
                .or(complaint::unexplained);
    }

    /** Overheat or a sudden stop: the supply of the channels that show gaps, before the head is touched. */
    static Optional<Advice> beforeTreatment(AdviceContext context) {
        SupplyWalk supply = new SupplyWalk(context);
        return (supply.hasStopped() && !context.affected.isEmpty() ? supply.open() : Optional.<Advice>empty())
                .or(new Complaint(context)::gone);
    }

    /** A colour that is gone entirely: cartridge and station before nozzles. */
    private Optional<Advice> gone() {
        List<String> out = context.affected.stream()
                .filter(code -> !context.visit.isWorkedByHand(code))
                .filter(context.visit::isWhollyOut)
                .toList();
        if (out.isEmpty() || out.size() == context.allChannels().size()) {
            return Optional.empty();
        }
        Optional<Advice> level = out.stream()
                .filter(code -> !context.looked(Look.INK_LEVEL, code) && !context.isMended(Look.INK_LEVEL, code))
                .findFirst()
                .map(code -> Advice.toLook(COMPLAINT, Look.INK_LEVEL, List.of(code), Map.of(), null, null));
        return level.or(() -> context.looked(Look.STATION, null) || context.isMended(Look.STATION, null)
                ? Optional.empty()
                : Optional.of(Advice.toLook(COMPLAINT, Look.STATION, List.of(), Map.of(), null, null)));
    }

    /** Nothing was wrong at the first check and nothing has been done: what brought the head here is still to be found. */
    private Optional<Advice> unexplained() {
        if (context.told(Sign.TOLD_NO_COMPLAINT)) {
            return Optional.empty();
        }
        boolean untouched =
                context.visit.work().stream().allMatch(w -> w.method().settles());
        return !untouched
                ? Optional.empty()
                : BROUGHT_BY.stream()
                        .filter(look -> !context.looked(look, null))
                        // Neither flakes nor the strip stop a print.
                        .filter(look -> look == Look.STATION || !new SupplyWalk(context).isTold())
                        .findFirst()
                        .map(look -> Advice.toLook(COMPLAINT, look, List.of(), Map.of(), null, null));
    }

    private Optional<Advice> open(Sign told, Explained by) {
        boolean mended = context.visit.times(by.mend) > 0;
        long fine = context.visit.looks().stream()
                .filter(o -> o.sign() == by.look.fine())
                .count();
        if (!mended && fine == 0) {
            return look(told, by.look, null);
        }
        // Whether lines settle shows only once the head is aligned; a strip that was cleaned asks for it anew.
        if (told == Sign.TOLD_BANDING && !isAlignedSinceStrip() && context.isPossible(Method.ALIGN)) {
            return Optional.of(
                    context.advise(COMPLAINT, Act.WORK, Method.ALIGN, List.of(), Map.of(), List.of(), List.of(told)));
        }
        return !mended && by.twice && fine == 1 ? look(told, by.look, null) : Optional.empty();
    }

    private boolean isAlignedSinceStrip() {
        boolean aligned = false;
        for (Method method : context.visit.work().stream().map(w -> w.method()).toList()) {
            aligned = method == Method.ALIGN || aligned && method != Method.STRIP;
        }
        return aligned;
    }

    private static Optional<Advice> look(Sign told, Look look, String channel) {
        return Optional.of(
                Advice.toLook(COMPLAINT, look, channel == null ? List.of() : List.of(channel), Map.of(), null, null)
                        .because(told));
    }
}
