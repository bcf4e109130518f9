package undoknot.advice;

import static undoknot.advice.Advice.Rule.FOUND;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import undoknot.advice.Advice.Act;
import undoknot.diagnosis.Cause;
import undoknot.observation.Fact;
import undoknot.observation.Observation;
import undoknot.observation.Sign;
import undoknot.treatment.Method;

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
            Map.entry(Sign.STRIP_SMEARED, Method.STRIP),
            Map.entry(Sign.FACE_DIRTY, Method.VAPOUR),
            Map.entry(Sign.CONTACTS_DIRTY, Method.RESEAT),
            Map.entry(Sign.CABLE_LOOSE, Method.RESEAT),
            Map.entry(Sign.NOT_RECOGNISED, Method.RESEAT),
            Map.entry(Sign.ERROR_EXPECTED_BACK, Method.RESEAT)));

    private final AdviceContext context;

    private RepairOfFinding(AdviceContext context) {
        this.context = context;
    }

    static Optional<Advice> of(AdviceContext context) {
        return new RepairOfFinding(context).first();
    }

    private Optional<Advice> first() {
        if (!withSign(Sign.CARRIAGE_STANDS).isEmpty()) {
            return Optional.of(end(Act.ELSEWHERE, List.of(), Sign.CARRIAGE_STANDS));
        }
        Optional<Advice> mend = MENDS.entrySet().stream()
                .flatMap(e -> mend(e.getKey(), e.getValue()).stream())
                .findFirst();
        if (mend.isPresent()) {
            return mend;
        }
        return !withSign(Sign.FACE_DAMAGED).isEmpty()
                        && context.ranking.leading().cause() == Cause.PLATE_DAMAGE
                ? Optional.of(end(Act.NOT_RECOVERABLE, context.affected, Sign.FACE_DAMAGED))
                : Optional.empty();
    }

    private List<Observation> withSign(Sign sign) {
        return context.found.stream().filter(o -> o.sign() == sign).toList();
    }

    private Advice end(Act act, List<String> channels, Sign sign) {
        return context.advise(FOUND, act, null, channels, Map.of(), List.of(), List.of(sign));
    }

    private Optional<Advice> mend(Sign sign, Method wanted) {
        List<Observation> own = withSign(sign);
        if (own.isEmpty()) {
            return Optional.empty();
        }
        Method method = possible(wanted);
        List<String> named = own.stream()
                .map(Observation::channel)
                .filter(Objects::nonNull)
                .distinct()
                .toList();
        List<String> where = named.isEmpty() ? context.allChannels() : named;
        if (context.visit.times(method, where) >= method.rungs() || context.isReplaced(method, where)) {
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

    /** The same aim by a way that the family allows and the head may have. */
    private Method possible(Method wanted) {
        if (!wanted.allowedBy(context.visit.family())) {
            return wanted == Method.PURGE ? Method.DRAW_IN : Method.REST;
        }
        if (wanted == Method.PURGE && context.visit.times(Method.PURGE) >= Method.PURGE.rungs()) {
            return Method.DRAW_IN;
        }
        return wanted == Method.VAPOUR && context.terms.food() ? Method.PAD : wanted;
    }
}
