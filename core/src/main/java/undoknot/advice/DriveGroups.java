package undoknot.advice;

import static undoknot.advice.Advice.Rule.ELECTRICAL;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import undoknot.advice.Advice.Act;
import undoknot.nozzle.ChannelFeatures;
import undoknot.nozzle.NozzleMap;
import undoknot.observation.Fact;
import undoknot.observation.Look;
import undoknot.observation.Sign;
import undoknot.treatment.Method;
import undoknot.visit.Round;
import undoknot.visit.UnchangedRounds;

/** When a head is electrically dead (handbook 13, rule 6), and what must have been looked at before that is said. */
final class DriveGroups {

    private static final List<Look> UPSTREAM =
            List.of(Look.AIR, Look.DAMPER, Look.LINE, Look.INK_LEVEL, Look.SEAT, Look.DROP_TEST);

    private final AdviceContext context;
    private final Map<String, Integer> unchanged;

    /** Channels whose gaps keep to drive groups and have not moved over two rounds. */
    final List<String> channels;

    /** Worked out once: it is asked for every cause of every channel. */
    private final List<String> withBorder;

    DriveGroups(AdviceContext context) {
        this.context = context;
        this.unchanged = UnchangedRounds.of(
                context.rounds.stream().filter(Round::isOfMaps).toList());
        this.withBorder = bordered();
        this.channels = withBorder.stream()
                .filter(code -> unchanged.getOrDefault(code, 0) >= UnchangedRounds.ENOUGH)
                .toList();
    }

    /** Affected channels whose outage fills drive groups, or whose dashes change strength at a border of them. */
    List<String> withBorder() {
        return withBorder;
    }

    private List<String> bordered() {
        NozzleMap map = context.visit.completedMap().orElse(null);
        return map == null
                ? List.of()
                : context.affected.stream()
                        .filter(code -> ChannelFeatures.of(
                                        map.channel(code),
                                        context.visit.family().driveGroups())
                                .hasBorder())
                        .toList();
    }

    /**
     * The cycle that shows whether a drive group is dead: its own, beside the cleaning cycles, until two rounds left the gaps as
     * they were; none without the sign of a group.
     */
    Optional<Method> testCycle(String channel) {
        return withBorder().contains(channel)
                        && !channels.contains(channel)
                        && context.isPossible(Method.CYCLE)
                        && context.visit.times(Method.CYCLE, List.of(channel))
                                < UnchangedRounds.ENOUGH + Method.CYCLE.rungs()
                ? Optional.of(Method.CYCLE)
                : Optional.empty();
    }

    /** Whether a group has not moved in two rounds, and it is only to be looked whether something else explains it. */
    boolean isDoubted() {
        return !channels.isEmpty() && missingLook().isPresent();
    }

    Optional<Advice> electrical() {
        if (channels.isEmpty() || missingLook().isPresent() || !facesFine()) {
            return Optional.empty();
        }
        int rounds = channels.stream().mapToInt(unchanged::get).min().orElseThrow();
        return Optional.of(
                context.advise(ELECTRICAL, Act.STOP_ELECTRICAL, null, channels, Map.of(Fact.ROUNDS, rounds)));
    }

    /** Upstream, station and face must have been looked at before a head is called electrically dead. */
    Optional<Look> missingLook() {
        if (channels.isEmpty()) {
            return Optional.empty();
        }
        String code = channels.get(0);
        if (!context.looked(Look.STATION, code)) {
            return Optional.of(Look.STATION);
        }
        if (!context.looked(Look.FACE, code)) {
            return Optional.of(Look.FACE);
        }
        List<Look> fitting = UPSTREAM.stream()
                .filter(l -> l.fits(context.visit.family().construction()))
                .toList();
        return fitting.stream().anyMatch(l -> context.looked(l, code)) ? Optional.empty() : Optional.of(fitting.get(0));
    }

    private boolean facesFine() {
        return context.found.stream().noneMatch(o -> o.sign() == Sign.FACE_DIRTY || o.sign() == Sign.STATION_CRUSTED);
    }
}
