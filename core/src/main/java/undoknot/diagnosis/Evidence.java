package undoknot.diagnosis;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import undoknot.nozzle.CoarseReading;
import undoknot.nozzle.Movement;
import undoknot.observation.Fact;
import undoknot.observation.MapSigns;
import undoknot.observation.Observation;
import undoknot.observation.Sign;
import undoknot.treatment.Treatment;
import undoknot.treatment.Treatment.Resistance;
import undoknot.visit.CurrentFindings;
import undoknot.visit.Round;
import undoknot.visit.Step.Checked;
import undoknot.visit.Step.Worked;
import undoknot.visit.UnchangedRounds;
import undoknot.visit.VisitLog;

/** Everything a visit so far lets one observe, in the vocabulary of {@link Sign}. */
public final class Evidence {

    private static final Map<CoarseReading.Level, Sign> COARSE = Map.of(
            CoarseReading.Level.BAR_PALE, Sign.BAR_PALE,
            CoarseReading.Level.BAR_STREAKED, Sign.BAR_STREAKED,
            CoarseReading.Level.STREAM_NONE, Sign.STREAM_NONE,
            CoarseReading.Level.STREAM_BROKEN, Sign.STREAM_BROKEN,
            CoarseReading.Level.STREAM_DRIPS, Sign.STREAM_BROKEN,
            CoarseReading.Level.STREAM_WHOLE, Sign.STREAM_WHOLE,
            CoarseReading.Level.PAD_PART, Sign.PAD_PART);

    private Evidence() {}

    public static List<Observation> of(VisitLog visit) {
        List<Observation> seen = new ArrayList<>(visit.told());
        List<Observation> shown = new ArrayList<>();
        ofLastReading(visit, shown);
        seen.addAll(Circumstances.of(visit, shown));
        ofRounds(visit, seen);
        ofFlow(visit, seen);
        seen.addAll(CurrentFindings.telling(visit));
        return seen;
    }

    private static void ofLastReading(VisitLog visit, List<Observation> seen) {
        Optional<Checked> last = visit.lastCheck();
        if (last.isEmpty() || last.get().notTaken()) {
            return;
        }
        if (last.get().notPossible()) {
            // What printed before says nothing about a head that prints nothing now.
            seen.add(new Observation(Sign.NO_CHECK, null, Map.of(), last.get().id()));
            return;
        }
        CoarseReading coarse = last.get().coarse();
        if (coarse == null || coarse.kind().isOffMachine()) {
            seen.addAll(ofMaps(visit));
        }
        if (coarse != null) {
            ofCoarse(coarse, last.get().id(), seen);
        }
    }

    /** What the last map shows; of a channel in which nothing shows any more, and of the head, what showed last. */
    private static List<Observation> ofMaps(VisitLog visit) {
        List<Observation> shown = new ArrayList<>();
        List<Checked> maps =
                visit.checks().stream().filter(c -> c.map() != null).toList();
        for (int i = maps.size() - 1; i >= 0; i--) {
            Checked check = maps.get(i);
            List<Observation> signs = new ArrayList<>(MapSigns.of(check.map(), visit.family(), check.id()));
            signs.addAll(MapSigns.ofForeignInk(check.foreign(), visit.family(), check.id()));
            // That everything fires once it was treated says nothing of what was wrong.
            boolean onlyFires = shown.stream().allMatch(o -> o.sign() == Sign.ALL_FIRING);
            if (onlyFires && signs.stream().anyMatch(o -> o.sign() != Sign.ALL_FIRING)) {
                shown.clear();
            }
            Set<String> known = new HashSet<>();
            shown.forEach(o -> known.add(o.channel()));
            signs.stream()
                    .filter(o -> !known.contains(o.channel()) && (o.sign() != Sign.ALL_FIRING || known.isEmpty()))
                    .forEach(shown::add);
        }
        return shown;
    }

    private static void ofCoarse(CoarseReading coarse, String from, List<Observation> seen) {
        int looked = 0;
        int affected = 0;
        for (Map.Entry<String, CoarseReading.Line> entry : coarse.channels().entrySet()) {
            CoarseReading.Level level = entry.getValue().level();
            if (level == null) {
                continue;
            }
            looked++;
            affected += level.isBest() ? 0 : 1;
            Sign sign = level == CoarseReading.Level.BAR_ABSENT ? Sign.WHOLLY_OUT : COARSE.get(level);
            if (sign != null) {
                seen.add(new Observation(sign, entry.getKey(), Map.of(), from));
            }
        }
        if (!coarse.kind().isOffMachine()) {
            MapSigns.ofAll(affected, 0, looked, true, from).ifPresent(seen::add);
        }
    }

    private static void ofRounds(VisitLog visit, List<Observation> seen) {
        List<Round> rounds = visit.rounds();
        for (Round round : rounds) {
            seen.addAll(PairSigns.of(round, Movement.Thresholds.DEFAULT));
        }
        if (!rounds.isEmpty()) {
            String from = rounds.get(rounds.size() - 1).after().id();
            UnchangedRounds.of(rounds).forEach((code, count) -> {
                if (count >= UnchangedRounds.ENOUGH) {
                    seen.add(new Observation(Sign.UNCHANGED_TWO_ROUNDS, code, Map.of(Fact.ROUNDS, count), from));
                }
            });
        }
    }

    private static void ofFlow(VisitLog visit, List<Observation> seen) {
        Map<String, List<Resistance>> strokes = new LinkedHashMap<>();
        Map<String, String> from = new LinkedHashMap<>();
        for (Worked worked : visit.work()) {
            if (worked.treatment() instanceof Treatment.Flush flush && flush.isFlush()) {
                flush.strokes().stream().filter(s -> s.resistance() != null).forEach(s -> {
                    strokes.computeIfAbsent(s.channel(), c -> new ArrayList<>()).add(s.resistance());
                    from.put(s.channel(), worked.id());
                });
            }
        }
        strokes.forEach((code, felt) -> {
            Resistance now = felt.get(felt.size() - 1);
            boolean eased = now == Resistance.FREE && felt.get(0) != Resistance.FREE;
            Sign sign = eased
                    ? Sign.FLOW_EASED
                    : switch (now) {
                        case FREE -> Sign.FLOW_FREE;
                        case STIFF -> Sign.FLOW_STIFF;
                        case WOULD_NOT_GO -> Sign.FLOW_NONE;
                    };
            seen.add(new Observation(sign, code, Map.of(Fact.STROKES, felt.size()), from.get(code)));
        });
    }
}
