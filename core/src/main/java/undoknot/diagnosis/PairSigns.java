package undoknot.diagnosis;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import undoknot.nozzle.ChannelFeatures;
import undoknot.nozzle.Comparison;
import undoknot.nozzle.Counts;
import undoknot.nozzle.Movement;
import undoknot.nozzle.NozzleMap;
import undoknot.observation.Fact;
import undoknot.observation.MapSigns;
import undoknot.observation.Observation;
import undoknot.observation.Sign;
import undoknot.treatment.WorkBetweenChecks;
import undoknot.visit.Round;

/** What two checks say about causes, by what was done between them (handbook 5 and 7). */
public final class PairSigns {

    /** Something came back (handbook 13, rule 8). */
    static final double GOOD_RECOVERY = 0.20;

    /** What mends a cause brings most of its gaps back. */
    private static final double MENDED = 0.5;

    private static final double HARDLY = 0.05;
    private static final int LEAST_NEW = 2;

    private PairSigns() {}

    public static List<Observation> of(Round round, Movement.Thresholds thresholds) {
        NozzleMap before = round.before().map();
        NozzleMap now = round.after().map();
        String from = round.after().id();
        WorkBetweenChecks between = round.between();
        Set<String> flowed = round.flowed();
        List<Observation> signs = new ArrayList<>();
        Comparison comparison = Comparison.of(before, now);
        int newlyOut = (int) comparison.channels().values().stream()
                .filter(c -> c.newlyOut() >= LEAST_NEW && c.restored() < c.newlyOut())
                .count();
        comparison.channels().forEach((code, counts) -> {
            // A channel that stays out as a whole has nowhere to wander to, and so does not count as fixed.
            boolean stayedOut = counts.restored() == 0
                    && ChannelFeatures.of(before.channel(code), 1).whollyOut();
            // In a channel that was not worked on a change says nothing about the work.
            WorkBetweenChecks own = round.between(code);
            boolean untouched =
                    own == WorkBetweenChecks.NOTHING && !round.work().isEmpty();
            Sign sign = untouched || stayedOut && (own == WorkBetweenChecks.CYCLE || own == WorkBetweenChecks.FLUSH)
                    ? null
                    : ofChannel(counts, own, thresholds, newlyOut >= 2);
            if (sign != null) {
                signs.add(new Observation(sign, code, facts(counts), from));
            }
            if (own == WorkBetweenChecks.FLUSH
                    && flowed.contains(code)
                    && ChannelFeatures.of(now.channel(code), 1).whollyOut()
                    && !ChannelFeatures.of(before.channel(code), 1).whollyOut()) {
                signs.add(new Observation(Sign.WHOLLY_OUT_AFTER_FLUSH, code, facts(counts), from));
            }
        });
        if (newlyOut >= 2) {
            Map<Fact, Integer> facts = Map.of(
                    Fact.CHANNELS, newlyOut, Fact.NEWLY_OUT, comparison.total().newlyOut());
            if (between == WorkBetweenChecks.CYCLE || between == WorkBetweenChecks.FACE) {
                signs.add(new Observation(Sign.NEWLY_OUT_AFTER_CYCLE, null, facts, from));
            } else if (between == WorkBetweenChecks.REST) {
                signs.add(new Observation(Sign.BACK_AFTER_REST, null, facts, from));
            }
        }
        return signs;
    }

    private static Sign ofChannel(
            Counts counts, WorkBetweenChecks between, Movement.Thresholds t, boolean newInSeveral) {
        if (counts.outBefore() < MapSigns.LEAST_OUT && counts.outNow() < MapSigns.LEAST_OUT) {
            return null;
        }
        double recovery = counts.recovery().orElse(0);
        // Gaps that only grow do not wander: some must have come back elsewhere.
        if (between != WorkBetweenChecks.FLUSH
                && !newInSeveral
                && recovery >= GOOD_RECOVERY
                && Movement.of(counts, t) == Movement.WANDERING) {
            return Sign.WANDERS;
        }
        if (counts.outBefore() < MapSigns.LEAST_OUT) {
            return null;
        }
        if (recovery <= HARDLY && counts.wander() <= t.fixedWander()) {
            return switch (between) {
                case CYCLE -> Sign.FIXED_AFTER_CYCLE;
                case FLUSH -> Sign.FIXED_AFTER_FLUSH;
                case STATION -> Sign.SAME_AFTER_STATION;
                case FACE -> Sign.SAME_AFTER_FACE;
                case AIR -> Sign.SAME_AFTER_AIR;
                case CARTRIDGE -> Sign.SAME_AFTER_CARTRIDGE;
                case SUPPLY -> Sign.SAME_AFTER_SUPPLY;
                default -> null;
            };
        }
        if (recovery >= GOOD_RECOVERY && counts.wander() < t.wanderingWander()) {
            boolean mended = recovery >= MENDED;
            return switch (between) {
                case CYCLE -> Sign.SHRINKS_AFTER_CYCLE;
                case FLUSH -> Sign.SHRINKS_AFTER_FLUSH;
                case STATION -> mended ? Sign.BETTER_AFTER_STATION : null;
                case FACE -> mended ? Sign.BETTER_AFTER_FACE : null;
                case AIR -> mended ? Sign.BETTER_AFTER_AIR : null;
                case CARTRIDGE -> mended ? Sign.BETTER_AFTER_CARTRIDGE : null;
                case SUPPLY -> mended ? Sign.BETTER_AFTER_SUPPLY : null;
                default -> null;
            };
        }
        return null;
    }

    static Map<Fact, Integer> facts(Counts counts) {
        return Map.of(
                Fact.RESTORED, counts.restored(),
                Fact.STILL_OUT, counts.stillOut(),
                Fact.NEWLY_OUT, counts.newlyOut(),
                Fact.BEFORE, counts.outBefore(),
                Fact.NOW, counts.outNow());
    }
}
