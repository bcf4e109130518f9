package undoknot.diagnosis;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
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
            CoarseReading.Level.BAR_ABSENT, Sign.BAR_ABSENT,
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
        ofMaps(visit, seen);
        ofFlow(visit, seen);
        seen.addAll(CurrentFindings.telling(visit));
        return seen;
    }

    private static void ofMaps(VisitLog visit, List<Observation> seen) {
        Movement.Thresholds thresholds = Movement.Thresholds.DEFAULT;
        List<Round> rounds = visit.rounds();
        Optional<Checked> last = visit.lastCheck();
        last.filter(Checked::notPossible)
                .ifPresent(c -> seen.add(new Observation(Sign.NO_CHECK, null, Map.of(), c.id())));
        visit.checks().stream().filter(c -> c.map() != null).reduce((a, b) -> b).ifPresent(c -> {
            seen.addAll(MapSigns.of(c.map(), visit.family(), c.id()));
            seen.addAll(MapSigns.ofForeignInk(c.foreign(), visit.family(), c.id()));
        });
        last.filter(c -> c.coarse() != null)
                .ifPresent(c -> c.coarse().channels().forEach((code, line) -> {
                    Sign sign = line.level() == null ? null : COARSE.get(line.level());
                    if (sign != null) {
                        seen.add(new Observation(sign, code, Map.of(), c.id()));
                    }
                }));
        for (Round round : rounds) {
            seen.addAll(PairSigns.of(
                    round.before().map(),
                    round.after().map(),
                    round.between(),
                    round.channels(),
                    round.flowed(),
                    thresholds,
                    round.after().id()));
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
