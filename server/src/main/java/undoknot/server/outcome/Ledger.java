package undoknot.server.outcome;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import undoknot.fluid.InkChemistry;
import undoknot.nozzle.Acceptance;
import undoknot.outcome.Cases;
import undoknot.outcome.Odds;
import undoknot.server.visit.Attempt;
import undoknot.server.visit.Intake;
import undoknot.server.visit.LoggedVisit;
import undoknot.server.visit.NozzleCheck;
import undoknot.treatment.Method;

/** The shop's own record: what came of each attempt, and the odds that follow from it. */
@Component
public class Ledger {

    private static final int LAST_NUMBER = 3;

    private static final Duration KEPT = Duration.ofMinutes(1);

    private final AttemptResults results;

    /** Counting many years of attempts takes a while; a minute's delay in the odds of other visits does not matter. */
    private final Cache<Method, List<AttemptResults.Tally>> tallies =
            Caffeine.newBuilder().expireAfterWrite(KEPT).build();

    Ledger(AttemptResults results) {
        this.results = results;
    }

    /**
     * Writes down anew what came of the attempts of a visit. An attempt reached acceptance when a check after it, before the
     * next treatment of another kind than a cycle or a rest, meets it; one without such a check is not judged.
     */
    @Transactional
    public void keep(LoggedVisit logged) {
        UUID visitId = logged.visit().id;
        results.forget(visitId);
        if (logged.purpose().isProcedure()) {
            // What is flushed because an ink changes says nothing of what helps a clogged head.
            return;
        }
        Map<Method, Integer> times = new EnumMap<>(Method.class);
        List<AttemptResult> rows = new ArrayList<>();
        List<Attempt> standing = logged.attemptsThatStand();
        for (int i = 0; i < standing.size(); i++) {
            Attempt attempt = standing.get(i);
            Method method = method(logged, attempt);
            int number = times.merge(method, 1, Integer::sum);
            List<Acceptance.Verdict> judges = judges(logged, standing, i);
            if (!judges.isEmpty()) {
                AttemptResult row = new AttemptResult();
                row.attemptId = attempt.id;
                row.visitId = visitId;
                row.familyCode = logged.family().code();
                row.ink = ink(logged.intake(), channelOf(logged, attempt));
                row.method = method;
                row.number = Math.min(LAST_NUMBER, number);
                row.accepted = judges.contains(Acceptance.Verdict.MET);
                rows.add(row);
            }
        }
        results.saveAll(rows);
        TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
            @Override
            public void afterCommit() {
                tallies.invalidateAll();
            }
        });
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

    private static Cases without(AttemptResults.Tally t, List<AttemptResult> own) {
        List<AttemptResult> counted = own.stream()
                .filter(r -> r.familyCode.equals(t.familyCode()) && r.ink == t.ink() && r.number == t.number())
                .toList();
        long reached = t.reached() - counted.stream().filter(r -> r.accepted).count();
        long tried = Math.max(0, t.tried() - counted.size());
        // What was counted a moment ago may not know this visit's last attempt yet.
        return new Cases((int) tried, (int) Math.max(0, Math.min(tried, reached)));
    }

    /** Odds that the next attempt with a method reaches acceptance; the visit itself does not speak for itself. */
    public Odds odds(LoggedVisit logged, Method method, String channel, int number) {
        List<AttemptResult> own = results.findByVisitId(logged.visit().id).stream()
                .filter(r -> r.method == method)
                .toList();
        return odds(logged.family().code(), ink(logged.intake(), channel), method, number, own);
    }

    /** The same for a head that is not taken in yet. */
    public Odds odds(String family, InkChemistry ink, Method method, int number) {
        return odds(family, ink, method, number, List.of());
    }

    private Odds odds(String family, InkChemistry ink, Method method, int number, List<AttemptResult> own) {
        Cases cell = Cases.NONE;
        Cases ofFamily = Cases.NONE;
        Cases all = Cases.NONE;
        for (AttemptResults.Tally t : tallies.get(method, results::tallies)) {
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
}
