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
import undoknot.visit.UnchangedRounds;

/** When a head is electrically dead (handbook 13, rule 6), and what must have been looked at before that is said. */
final class DriveGroups {

    private static final List<Look> UPSTREAM =
            List.of(Look.AIR, Look.DAMPER, Look.LINE, Look.INK_LEVEL, Look.SEAT, Look.DROP_TEST);

    private final AdviceContext context;
    private final Map<String, Integer> unchanged;

    /** Channels whose gaps keep to drive groups and have not moved over two rounds. */
    final List<String> channels;

    DriveGroups(AdviceContext context) {
        this.context = context;
        this.unchanged = UnchangedRounds.of(context.rounds);
        this.channels = context.visit.lastMap().map(this::keptTo).orElse(List.of());
    }

    private List<String> keptTo(NozzleMap map) {
        return context.allChannels().stream()
                .filter(code -> unchanged.getOrDefault(code, 0) >= UnchangedRounds.ENOUGH)
                .filter(code -> {
                    ChannelFeatures f = ChannelFeatures.of(
                            map.channel(code), context.visit.family().driveGroups());
                    return f.filledGroups().isPresent() || !f.densitySteps().isEmpty();
                })
                .toList();
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
        if (!looked(Look.STATION, code)) {
            return Optional.of(Look.STATION);
        }
        if (!looked(Look.FACE, code)) {
            return Optional.of(Look.FACE);
        }
        List<Look> fitting = UPSTREAM.stream()
                .filter(l -> l.fits(context.visit.family().construction()))
                .toList();
        return fitting.stream().anyMatch(l -> looked(l, code)) ? Optional.empty() : Optional.of(fitting.get(0));
    }

    private boolean looked(Look look, String code) {
        return context.found.stream()
                .anyMatch(o -> look.findings().contains(o.sign())
                        && (o.channel() == null || o.channel().equals(code)));
    }

    private boolean facesFine() {
        return context.found.stream().noneMatch(o -> o.sign() == Sign.FACE_DIRTY || o.sign() == Sign.STATION_CRUSTED);
    }
}
