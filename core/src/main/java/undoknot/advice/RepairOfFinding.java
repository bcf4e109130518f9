package undoknot.advice;

import static undoknot.advice.Advice.Rule.FOUND;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import undoknot.advice.Advice.Act;
import undoknot.diagnosis.Cause;
import undoknot.nozzle.Acceptance;
import undoknot.observation.Fact;
import undoknot.observation.Observation;
import undoknot.observation.Sign;
import undoknot.treatment.Method;
import undoknot.visit.Step.Checked;

/** What a look found is mended before a treatment is judged (handbook 6). */
final class RepairOfFinding {

    /** What a finding calls for. */
    private static final Map<Sign, Method> MENDS = new EnumMap<>(Map.ofEntries(
            Map.entry(Sign.SPONGE_DRY, Method.CARTRIDGE),
            Map.entry(Sign.VENT_CLOSED, Method.CARTRIDGE),
            Map.entry(Sign.SEAT_LEAKS, Method.CARTRIDGE),
            Map.entry(Sign.DAMPER_EMPTY, Method.PURGE),
            Map.entry(Sign.PULL_DRAGS, Method.DAMPER),
            Map.entry(Sign.PULL_BLOCKED, Method.DAMPER),
            Map.entry(Sign.LINE_SEDIMENT, Method.LINE),
            Map.entry(Sign.STATION_CRUSTED, Method.STATION),
            Map.entry(Sign.UNDERSIDE_FLAKES, Method.UNDERSIDE),
            Map.entry(Sign.PAGE_DIRTY, Method.UNDERSIDE),
            Map.entry(Sign.STRIP_SMEARED, Method.STRIP),
            Map.entry(Sign.ALIGN_UNSETTLED, Method.STRIP),
            Map.entry(Sign.FACE_DIRTY, Method.VAPOUR),
            Map.entry(Sign.CONTACTS_DIRTY, Method.RESEAT),
            Map.entry(Sign.CABLE_LOOSE, Method.RESEAT),
            Map.entry(Sign.NOT_RECOGNISED, Method.RESEAT),
            Map.entry(Sign.ERROR_EXPECTED_BACK, Method.RESEAT)));

    /** A mend may be repeated once. */
    private static final int MENDS_TWICE = 2;

    private final AdviceContext context;

    private RepairOfFinding(AdviceContext context) {
        this.context = context;
    }

    /** Whether hands can mend what was found. */
    static boolean mends(Sign finding) {
        return MENDS.containsKey(finding);
    }

    static Optional<Advice> of(AdviceContext context) {
        return new RepairOfFinding(context).first();
    }

    private Optional<Advice> first() {
        boolean prints = context.visit.lastMap().isPresent();
        if (isSure(Sign.CARRIAGE_STANDS) && !prints) {
            return Optional.of(end(Act.ELSEWHERE, List.of(), Sign.CARRIAGE_STANDS));
        }
        Optional<Advice> mend = MENDS.entrySet().stream()
                .flatMap(e -> mend(e.getKey(), e.getValue()).stream())
                .findFirst();
        if (mend.isPresent()) {
            return mend;
        }
        return isSure(Sign.FACE_DAMAGED)
                        && context.visit.verdict() != Acceptance.Verdict.MET
                        && context.ranking.leading().cause() == Cause.PLATE_DAMAGE
                ? Optional.of(end(Act.NOT_RECOVERABLE, context.affected, Sign.FACE_DAMAGED))
                : Optional.empty();
    }

    private List<Observation> withSign(Sign sign) {
        return context.found.stream().filter(o -> o.sign() == sign).toList();
    }

    /** One look never ends a visit by itself. */
    private boolean isSure(Sign sign) {
        return withSign(sign).stream().anyMatch(o -> LookAgain.isSure(context, o));
    }

    private Advice end(Act act, List<String> channels, Sign sign) {
        return context.advise(FOUND, act, null, channels, Map.of(), List.of(), List.of(sign));
    }

    private Optional<Advice> mend(Sign sign, Method wanted) {
        List<Observation> own = withSign(sign);
        if (own.isEmpty() || sign == Sign.ERROR_EXPECTED_BACK && !isOfContacts()) {
            return Optional.empty();
        }
        Method method = possible(wanted);
        List<String> named = own.stream()
                .map(Observation::channel)
                .filter(Objects::nonNull)
                .distinct()
                .toList();
        List<String> where = named.isEmpty() ? context.allChannels() : named;
        int most = Math.max(MENDS_TWICE, method.rungs());
        if (!context.isPossible(method)
                || where.stream().allMatch(code -> context.visit.times(method, List.of(code)) >= most)
                || context.isReplaced(method, where)) {
            return Optional.empty();
        }
        return Optional.of(context.advise(
                FOUND,
                Act.WORK,
                method,
                where,
                Map.of(Fact.CHANNELS, named.size()),
                HouseWorkStyle.questions(method, where, context),
                List.of(sign)));
    }

    /**
     * Whether an error that a restart cleared is one to reseat for: not one by heat, for which what starves the head is looked
     * for, and not before it was tried whether a check prints while it is away.
     */
    private boolean isOfContacts() {
        boolean untried = context.visit.lastCheck().filter(Checked::notPossible).isPresent()
                && NoCheck.isClearedSinceCheck(context);
        return !untried && !context.told(Sign.TOLD_OVERHEAT);
    }

    /** The same aim by a way that the family allows and the head may have. */
    private Method possible(Method wanted) {
        if (!wanted.allowedBy(context.visit.family())) {
            return wanted == Method.PURGE
                    ? Ladder.hasPartsFor(Method.DRAW_IN, context.visit.family().construction())
                            ? Method.DRAW_IN
                            : Method.CARTRIDGE
                    : Method.REST;
        }
        if (wanted == Method.PURGE && context.visit.times(Method.PURGE) >= Method.PURGE.rungs()) {
            return Method.DRAW_IN;
        }
        return wanted == Method.VAPOUR && context.terms.food() ? Method.PAD : wanted;
    }
}
