package undoknot.advice;

import static undoknot.advice.Advice.Rule.COMPLAINT;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import undoknot.observation.Look;
import undoknot.observation.Observation;
import undoknot.observation.Sign;
import undoknot.treatment.WorkBetweenChecks;
import undoknot.visit.CurrentFindings;
import undoknot.visit.Step;

/**
 * Ink does not reach the head, or a stop says so: it cools, then what is upstream of it is walked look by look, port by port,
 * before the head is touched (handbook 6 and 13, rule 0).
 */
final class SupplyWalk {

    private static final List<Sign> STARVES = List.of(Sign.TOLD_OVERHEAT, Sign.TOLD_STOPS, Sign.TOLD_STARVES);

    /** A sound head that stops between one page and the next points upstream, and so does a stop by heat. */
    private static final Set<Sign> STOPPED = Set.of(Sign.TOLD_OVERHEAT, Sign.TOLD_STOPS);

    private static final List<Look> UPSTREAM = List.of(Look.INK_LEVEL, Look.AIR, Look.DAMPER, Look.LINE, Look.SEAT);

    private static final Set<WorkBetweenChecks> MENDS =
            Set.of(WorkBetweenChecks.SUPPLY, WorkBetweenChecks.AIR, WorkBetweenChecks.CARTRIDGE);

    private final AdviceContext context;
    private final Optional<Sign> told;

    /** Cooled, and mended upstream, since it last stopped. */
    private boolean isCool;

    private boolean isMended;

    /** It stopped here as well, and nothing was mended since. */
    private boolean stoppedAgain;

    SupplyWalk(AdviceContext context) {
        this.context = context;
        this.told = STARVES.stream().filter(context::told).findFirst();
        context.visit.steps().forEach(this::follow);
    }

    private void follow(Step step) {
        if (step instanceof Step.Worked worked && MENDS.contains(worked.method().between())) {
            isMended = true;
            stoppedAgain = false;
        } else if (step instanceof Step.Found found) {
            Sign sign = found.observation().sign();
            isCool |= Look.COOL_DOWN.findings().contains(sign);
            if (sign == Sign.LONG_PRINT_STOPPED) {
                isCool = false;
                isMended = false;
                stoppedAgain = true;
            }
        }
    }

    boolean isTold() {
        return told.isPresent();
    }

    boolean hasStopped() {
        return told.filter(STOPPED::contains).isPresent();
    }

    /** What is still to be looked at; empty when the supply was mended, or nothing told of it. */
    Optional<Advice> open() {
        if (told.isEmpty() || isMended) {
            return Optional.empty();
        }
        if (told.get() == Sign.TOLD_OVERHEAT && !isCool && context.visit.head().mayHavePower()) {
            return Optional.of(look(Look.COOL_DOWN, List.of()));
        }
        return walk(channels());
    }

    /** Nothing can be printed: every port of a head that stopped while it printed. */
    Optional<Advice> whole() {
        return hasStopped() ? walk(List.of(context.allChannels())) : Optional.empty();
    }

    /**
     * Channels with nozzles out. A check draws little and may be full all the same: then the ports it was told of, or every
     * port, as long as no work may have ended it; those first in which something was found already.
     */
    private List<List<String>> channels() {
        if (!context.affected.isEmpty()) {
            return List.of(context.affected);
        }
        boolean untouched =
                context.visit.work().stream().allMatch(w -> w.method().settles());
        if (!untouched && !stoppedAgain) {
            return List.of();
        }
        Set<String> bad = foundBad();
        return Stream.of(true, false)
                .map(first -> context.visit.suspected().stream()
                        .filter(code -> bad.contains(code) == first)
                        .toList())
                .toList();
    }

    /** Where a print that stopped again is mended next: the ports in which something was found, or else all it was told of. */
    List<String> suspects() {
        Set<String> bad = foundBad();
        List<String> told = context.visit.suspected();
        return bad.isEmpty() ? told : told.stream().filter(bad::contains).toList();
    }

    private Set<String> foundBad() {
        return CurrentFindings.telling(context.visit).stream()
                .filter(o -> o.channel() != null && isBadUpstream(o))
                .map(Observation::channel)
                .collect(Collectors.toSet());
    }

    private static boolean isBadUpstream(Observation o) {
        return Look.making(o.sign())
                .filter(look -> UPSTREAM.contains(look) && look.fine() != o.sign())
                .isPresent();
    }

    private Optional<Advice> walk(List<List<String>> groups) {
        return groups.stream()
                .flatMap(codes -> UPSTREAM.stream()
                        .filter(look -> look.fits(context.visit.family().construction()))
                        .flatMap(look -> codes.stream()
                                .filter(code -> !context.looked(look, code) && !context.isMended(look, code))
                                .map(code -> look(look, List.of(code)))))
                .findFirst();
    }

    private Advice look(Look look, List<String> channels) {
        return Advice.toLook(COMPLAINT, look, channels, Map.of(), null, null).because(told.orElseThrow());
    }
}
