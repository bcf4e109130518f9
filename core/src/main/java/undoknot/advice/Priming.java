package undoknot.advice;

import static undoknot.advice.Advice.Rule.PRIME_FIRST;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import undoknot.advice.Advice.Act;
import undoknot.observation.Fact;
import undoknot.treatment.Method;
import undoknot.treatment.Site;
import undoknot.treatment.WorkBetweenChecks;
import undoknot.visit.Step;
import undoknot.visit.Step.Worked;

/**
 * A head that was wetted off the machine takes ink again before its first check (handbook 14): by syringe before the refit
 * where it is primed so, by the lightest cycle or a charge after it.
 */
final class Priming {

    private final AdviceContext context;

    /** Work off the machine since the last print, or since ink was pulled in. */
    private final List<Worked> wetted = new ArrayList<>();

    private Priming(AdviceContext context) {
        this.context = context;
        boolean out = false;
        for (Step step : context.visit.steps()) {
            if (step instanceof Step.Checked check && !check.isOffMachine() && !check.notTaken()) {
                wetted.clear();
            } else if (step instanceof Step.Moved moved) {
                out = moved.to() == Site.ON_BENCH;
            } else if (step instanceof Worked worked) {
                Method method = worked.method();
                if (method == Method.CYCLE
                        || method == Method.CYCLE_STRONG
                        || method == Method.CHARGE
                        || method == Method.PRIME) {
                    wetted.clear();
                } else if (out && method.between() == WorkBetweenChecks.FLUSH) {
                    wetted.add(worked);
                }
            }
        }
    }

    /** Once it is back in, or before that where a syringe does it; empty when nothing was wetted. */
    static Optional<Advice> of(AdviceContext context) {
        return new Priming(context).next();
    }

    private Optional<Advice> next() {
        boolean read = context.visit.lastRead().isPresent();
        if (wetted.isEmpty()
                || !read
                        && context.visit
                                .lastCheck()
                                .filter(c -> c.notPossible())
                                .isPresent()) {
            return Optional.empty();
        }
        List<String> channels = wetted.stream()
                .flatMap(w -> w.treatment().channels().stream())
                .distinct()
                .sorted()
                .toList();
        Method last = wetted.get(wetted.size() - 1).method();
        Method method = Ladder.inkAfter(last, context.visit.family(), context.house)
                .filter(m -> channels.stream().noneMatch(context::portIsStuck))
                .orElse(Method.CYCLE);
        // On the bench a syringe primes; what the machine pulls waits for the refit, and the stream is read before it.
        boolean now = context.visit.head().site() == Site.IN_CARRIAGE
                || !method.needsPower() && context.visit.isReadyToRefit();
        return now && !method.barredBy(context.bars) && method.allowedBy(context.visit.family())
                ? Optional.of(
                        context.advise(PRIME_FIRST, Act.WORK, method, channels, Map.of(Fact.CHANNELS, channels.size())))
                : Optional.empty();
    }
}
