package undoknot.finish;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import undoknot.observation.Look;
import undoknot.observation.Sign;
import undoknot.treatment.Method;
import undoknot.visit.Step;
import undoknot.visit.VisitLog;

/**
 * What shows that a complaint is gone which no nozzle check can show (handbook 13, rule 0, and 14): a page of that colour down
 * to the place that was told, a print as long as the one that failed, a page without dirt.
 *
 * @param look what is printed
 */
public record Proof(Look look, State state) {

    public enum State {
        OPEN,
        SHOWN,
        FAILED
    }

    /** What was told, and what proves it gone. */
    private static final Map<Sign, Look> TOLD = new EnumMap<>(Map.of(
            Sign.TOLD_AT_PLACE, Look.PAGE_TO_PLACE,
            Sign.TOLD_STARVES, Look.PAGE_TO_PLACE,
            Sign.TOLD_OVERHEAT, Look.LONG_PRINT,
            Sign.TOLD_STOPS, Look.LONG_PRINT,
            Sign.TOLD_SMEARS, Look.CLEAN_PAGE));

    /** Dirt that was found, or cleaned off, although nobody told of it. */
    private static final Set<Sign> DIRT = EnumSet.of(Sign.UNDERSIDE_FLAKES, Sign.PAGE_DIRTY);

    /** Work that a proof outlives: it touches neither ink path nor carriage. */
    private static final Set<Method> LEAVES_IT =
            EnumSet.of(Method.PAGE, Method.CYCLE, Method.REST, Method.ALIGN, Method.STRIP, Method.STATION);

    /** Every proof that a visit asks for, each once. */
    public static List<Proof> of(VisitLog visit) {
        Set<Look> wanted = EnumSet.noneOf(Look.class);
        TOLD.forEach((sign, look) -> {
            if (visit.told().stream().anyMatch(o -> o.sign() == sign)) {
                wanted.add(look);
            }
        });
        boolean dirt = visit.looks().stream().anyMatch(o -> DIRT.contains(o.sign()));
        if (dirt || visit.times(Method.UNDERSIDE) > 0) {
            wanted.add(Look.CLEAN_PAGE);
        }
        List<Proof> proofs = new ArrayList<>();
        wanted.forEach(look -> proofs.add(new Proof(look, state(visit, look))));
        return List.copyOf(proofs);
    }

    private static State state(VisitLog visit, Look look) {
        State state = State.OPEN;
        for (Step step : visit.steps()) {
            if (step instanceof Step.Worked worked && !LEAVES_IT.contains(worked.method())) {
                state = State.OPEN;
            } else if (step instanceof Step.Found found
                    && look.findings().contains(found.observation().sign())) {
                state = found.observation().sign() == look.fine() ? State.SHOWN : State.FAILED;
            }
        }
        return state;
    }
}
