package undoknot.server.visit;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import undoknot.observation.Look;
import undoknot.observation.Observation;
import undoknot.observation.Sign;
import undoknot.treatment.Site;
import undoknot.visit.Step;
import undoknot.visit.VisitLog;

/** What was logged on a visit as the steps of core, in the order of time. */
final class LoggedSteps {

    private LoggedSteps() {}

    /** The visit as the rules of core look at it. */
    static VisitLog log(LoggedVisit logged, Instant now) {
        record At(Instant at, Step step) {}
        List<At> steps = new ArrayList<>();
        // Work that took the head out has the time of that entry, and comes after it.
        logged.headEntriesThatStand().forEach(e -> moved(e).ifPresent(step -> steps.add(new At(e.enteredAt, step))));
        logged.checks()
                .forEach(c -> steps.add(new At(
                        c.takenAt,
                        new Step.Checked(
                                c.id.toString(),
                                logged.map(c),
                                logged.coarse(c),
                                logged.foreignInk(c),
                                c.notTaken != null))));
        logged.attemptsThatStand()
                .forEach(a -> steps.add(
                        new At(a.startedAt, new Step.Worked(a.id.toString(), logged.treatment(a), logged.noted(a)))));
        logged.findingsThatStand().stream()
                .filter(f -> !isOfOneCartridge(f))
                .forEach(f -> steps.add(new At(f.foundAt, new Step.Found(f.observation()))));
        recognised(logged).forEach((at, found) -> steps.add(new At(at, new Step.Found(found))));
        return new VisitLog(
                logged.family(),
                logged.visit().jobClass,
                IntakeFacts.told(logged.intake()),
                steps.stream()
                        .sorted(Comparator.comparing(At::at))
                        .map(At::step)
                        .toList(),
                logged.headNow(now));
    }

    private static boolean isOfOneCartridge(FindingRow finding) {
        return finding.channel != null && Look.RECOGNITION.findings().contains(finding.sign);
    }

    /**
     * Recognition cartridge by cartridge is a finding of the head: one that is not seen tells at once, and that all are seen
     * once each of them was.
     */
    private static Map<Instant, Observation> recognised(LoggedVisit logged) {
        Map<Instant, Observation> found = new LinkedHashMap<>();
        Set<String> seen = new HashSet<>();
        for (FindingRow finding : logged.findingsThatStand()) {
            if (!isOfOneCartridge(finding)) {
                continue;
            }
            boolean fine = finding.sign == Look.RECOGNITION.fine();
            if (finding.sign == Sign.NOT_RECOGNISED) {
                seen.remove(finding.channel);
            } else {
                seen.add(finding.channel);
            }
            if (!fine || seen.size() == logged.family().channels().size()) {
                found.put(finding.foundAt, new Observation(finding.sign, null, Map.of(), finding.id.toString()));
            }
        }
        return found;
    }

    private static Optional<Step> moved(HeadEntryRow row) {
        return switch (row.entry) {
            case HEAD_OUT -> Optional.of(new Step.Moved(Site.ON_BENCH));
            case HEAD_IN -> Optional.of(new Step.Moved(Site.IN_CARRIAGE));
            default -> Optional.empty();
        };
    }
}
