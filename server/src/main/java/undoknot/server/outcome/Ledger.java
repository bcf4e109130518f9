package undoknot.server.outcome;

import static java.util.stream.Collectors.toCollection;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentMap;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import undoknot.fluid.InkChemistry;
import undoknot.nozzle.Acceptance;
import undoknot.outcome.Cases;
import undoknot.outcome.Odds;
import undoknot.server.outcome.AttemptResults.Result;
import undoknot.server.visit.Attempt;
import undoknot.server.visit.Intake;
import undoknot.server.visit.LoggedVisit;
import undoknot.server.visit.NozzleCheck;
import undoknot.treatment.Method;

/** The shop's own record: what came of each attempt, and the odds that follow from it. */
@Component
public class Ledger {

    private static final int LAST_NUMBER = 3;

    private final AttemptResults results;
    private final OddsChanges changes;

    private record Counted(OddsChanges.Stamp at, List<AttemptResults.Tally> tallies) {}

    /** Counting many years of attempts takes a while, and so it is done once for as long as nothing changes. */
    private final ConcurrentMap<Method, Counted> counted = new ConcurrentHashMap<>();

    Ledger(AttemptResults results, OddsChanges changes) {
        this.results = results;
        this.changes = changes;
    }

    /**
     * Writes down anew what came of the attempts of a visit. An attempt reached acceptance when a check after it, before the
     * next treatment of another kind than a cycle or a rest, meets it; one without such a check is not judged.
     */
    @Transactional
    public void keep(LoggedVisit logged) {
        UUID visitId = logged.visit().id;
        Set<Result> before = Set.copyOf(results.ofVisit(visitId));
        Set<Result> now = resultsOf(logged);
        Set<Result> changed = new HashSet<>(before);
        now.stream().filter(result -> !changed.remove(result)).forEach(changed::add);
        if (changed.isEmpty()) {
            return;
        }
        results.forget(visitId);
        results.saveAll(
                now.stream().map(result -> AttemptResult.of(visitId, result)).toList());
        changes.tell(changed.stream().map(Result::method).collect(toCollection(TreeSet::new)));
    }

    private static Set<Result> resultsOf(LoggedVisit logged) {
        if (logged.purpose().isProcedure()) {
            // What is flushed because an ink changes says nothing of what helps a clogged head.
            return Set.of();
        }
        Map<Method, Integer> times = new EnumMap<>(Method.class);
        Set<Result> all = new LinkedHashSet<>();
        List<Attempt> standing = logged.attemptsThatStand();
        for (int i = 0; i < standing.size(); i++) {
            Attempt attempt = standing.get(i);
            Method method = method(logged, attempt);
            int number = times.merge(method, 1, Integer::sum);
            List<Acceptance.Verdict> judges = judges(logged, standing, i);
            if (!judges.isEmpty()) {
                all.add(new Result(
                        attempt.id,
                        logged.family().code(),
                        ink(logged.intake(), channelOf(logged, attempt)),
                        method,
                        Math.min(LAST_NUMBER, number),
                        judges.contains(Acceptance.Verdict.MET)));
            }
        }
        return all;
    }

    private static List<Acceptance.Verdict> judges(LoggedVisit logged, List<Attempt> standing, int i) {
        List<Acceptance.Verdict> judges = new ArrayList<>();
        for (NozzleCheck check : logged.checks()) {
            if (logged.verdict(check) == null || !check.takenAt.isAfter(standing.get(i).startedAt)) {
                continue;
            }
            boolean others = standing.subList(i + 1, standing.size()).stream()
                    .anyMatch(a -> a.startedAt.isBefore(check.takenAt)
                            && !method(logged, a).settles());
            if (!others) {
                judges.add(logged.verdict(check));
            }
        }
        return judges;
    }

    private static Method method(LoggedVisit logged, Attempt attempt) {
        return Method.of(logged.treatment(attempt));
    }

    private static String channelOf(LoggedVisit logged, Attempt attempt) {
        return logged.treatment(attempt).channels().stream()
                .sorted()
                .findFirst()
                .orElse("");
    }

    static InkChemistry ink(Intake intake, String channel) {
        return intake.inks().getOrDefault(channel, intake.ports().get(0).chemistry());
    }

    private static Cases without(AttemptResults.Tally t, List<Result> own) {
        List<Result> counted = own.stream()
                .filter(r -> r.familyCode().equals(t.familyCode()) && r.ink() == t.ink() && r.number() == t.number())
                .toList();
        long reached = t.reached() - counted.stream().filter(Result::accepted).count();
        long tried = Math.max(0, t.tried() - counted.size());
        // What was counted a moment ago may not know this visit's last attempt yet.
        return new Cases((int) tried, (int) Math.max(0, Math.min(tried, reached)));
    }

    /** Odds that the next attempt with a method reaches acceptance; the visit itself does not speak for itself. */
    public Odds odds(LoggedVisit logged, Method method, String channel, int number) {
        List<Result> own = results.ofVisit(logged.visit().id).stream()
                .filter(r -> r.method() == method)
                .toList();
        return odds(logged.family().code(), ink(logged.intake(), channel), method, number, own);
    }

    /** The same for a head that is not taken in yet. */
    public Odds odds(String family, InkChemistry ink, Method method, int number) {
        return odds(family, ink, method, number, List.of());
    }

    private Odds odds(String family, InkChemistry ink, Method method, int number, List<Result> own) {
        Cases cell = Cases.NONE;
        Cases ofFamily = Cases.NONE;
        Cases all = Cases.NONE;
        for (AttemptResults.Tally t : tallies(method)) {
            Cases cases = without(t, own);
            if (!t.familyCode().equals(family)) {
                all = all.plus(cases);
            } else if (t.ink() == ink && t.number() == Math.min(LAST_NUMBER, number)) {
                cell = cell.plus(cases);
            } else {
                ofFamily = ofFamily.plus(cases);
            }
        }
        return Odds.of(cell, ofFamily, all, method.startChance());
    }

    private List<AttemptResults.Tally> tallies(Method method) {
        OddsChanges.Stamp now = changes.of(method);
        return counted.compute(
                        method,
                        (m, kept) -> kept != null && kept.at.equals(now) ? kept : new Counted(now, results.tallies(m)))
                .tallies;
    }
}
