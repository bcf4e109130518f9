package undoknot.treatment;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import undoknot.diagnosis.MapSigns;
import undoknot.diagnosis.Observation;
import undoknot.diagnosis.PairSigns;
import undoknot.diagnosis.Sign;
import undoknot.nozzle.CoarseReading;
import undoknot.nozzle.Comparison;
import undoknot.nozzle.Counts;
import undoknot.nozzle.Movement;
import undoknot.ruleout.Look;
import undoknot.treatment.SoFar.Round;
import undoknot.treatment.Step.Checked;
import undoknot.treatment.Step.Found;
import undoknot.treatment.Step.Worked;
import undoknot.treatment.Treatment.Resistance;

/** Everything a visit so far lets one observe, in the vocabulary of {@link Sign}. */
public final class Evidence {

    /** Rounds without change that speak for something fluid does not reach (handbook 13, rule 6). */
    static final int ROUNDS_UNCHANGED = 2;

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

    public static List<Observation> of(SoFar visit) {
        List<Observation> seen = new ArrayList<>(visit.told());
        ofMaps(visit, seen);
        ofFlow(visit, seen);
        seen.addAll(telling(visit));
        return seen;
    }

    private static void ofMaps(SoFar visit, List<Observation> seen) {
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
            unchangedRounds(rounds).forEach((code, count) -> {
                if (count >= ROUNDS_UNCHANGED) {
                    seen.add(new Observation(Sign.UNCHANGED_TWO_ROUNDS, code, Map.of("rounds", "" + count), from));
                }
            });
        }
    }

    /** How many of the last rounds with work in them left a channel's gaps unchanged, without a break. */
    public static Map<String, Integer> unchangedRounds(List<Round> rounds) {
        Map<String, Integer> unchanged = new LinkedHashMap<>();
        for (Round round : rounds) {
            if (round.work().isEmpty()) {
                continue;
            }
            Comparison.of(round.before().map(), round.after().map())
                    .channels()
                    .forEach((code, counts) -> unchanged.merge(
                            code, isUnchanged(counts) ? 1 : 0, (before, one) -> one == 0 ? 0 : before + 1));
        }
        return unchanged;
    }

    private static boolean isUnchanged(Counts counts) {
        return Movement.of(counts, Movement.Thresholds.DEFAULT) == Movement.UNCHANGED;
    }

    private static void ofFlow(SoFar visit, List<Observation> seen) {
        Map<String, List<Resistance>> strokes = new LinkedHashMap<>();
        Map<String, String> from = new LinkedHashMap<>();
        for (Worked worked : visit.work()) {
            if (worked.treatment() instanceof Treatment.Flush flush) {
                flush.strokes().forEach(s -> {
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
            seen.add(new Observation(sign, code, Map.of("strokes", "" + felt.size()), from.get(code)));
        });
    }

    /** Findings that still hold: a later finding of the same look replaces an earlier one, and work that mends it ends it. */
    public static List<Observation> found(SoFar visit) {
        Map<String, Observation> standing = new LinkedHashMap<>();
        for (Step step : visit.steps()) {
            if (step instanceof Found found) {
                Observation o = found.observation();
                String what =
                        Look.making(o.sign()).map(Look::name).orElse(o.sign().name());
                standing.put(what + "/" + o.channel(), o);
            } else if (step instanceof Worked worked) {
                standing.values()
                        .removeIf(o -> Look.making(o.sign())
                                        .filter(worked.method().mends()::contains)
                                        .isPresent()
                                && (o.channel() == null
                                        || worked.treatment().channels().contains(o.channel())));
            }
        }
        return List.copyOf(standing.values());
    }

    /** Findings that tell what was wrong: that something is fine after it was mended does not say that it was fine before. */
    private static List<Observation> telling(SoFar visit) {
        Set<String> mended = new HashSet<>();
        Set<Observation> late = new HashSet<>();
        for (Step step : visit.steps()) {
            if (step instanceof Worked worked) {
                mended.addAll(mendedBy(worked));
            } else if (step instanceof Found found) {
                Observation o = found.observation();
                Look.making(o.sign())
                        .filter(look -> look.fine() == o.sign() && mended.contains(look + "/" + o.channel()))
                        .ifPresent(look -> late.add(o));
            }
        }
        return found(visit).stream().filter(o -> !late.contains(o)).toList();
    }

    private static Set<String> mendedBy(Worked worked) {
        Set<String> mended = new HashSet<>();
        for (Look look : worked.method().mends()) {
            mended.add(look + "/null");
            worked.treatment().channels().forEach(code -> mended.add(look + "/" + code));
        }
        return mended;
    }

    /** Whether work since has mended what a look looks at, in a channel or, when null, in the whole head. */
    public static boolean isMended(SoFar visit, Look look, String channel) {
        return visit.work().stream().anyMatch(w -> mendedBy(w).contains(look + "/" + channel));
    }

    /** Channels of the last map in which enough nozzles are out to matter, worst first. */
    static List<String> affected(SoFar visit) {
        return visit.lastMap()
                .map(map -> map.channels().entrySet().stream()
                        .filter(e -> e.getValue().count(undoknot.nozzle.NozzleState.MISSING) > 0)
                        .sorted(java.util.Comparator.comparing(
                                e -> -e.getValue().count(undoknot.nozzle.NozzleState.MISSING)))
                        .map(Map.Entry::getKey)
                        .collect(Collectors.toList()))
                .orElse(List.of());
    }
}
