package undoknot.treatment;

import static undoknot.treatment.Advice.Rule.ELECTRICAL;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import undoknot.diagnosis.Sign;
import undoknot.nozzle.ChannelFeatures;
import undoknot.nozzle.NozzleMap;
import undoknot.ruleout.Look;
import undoknot.treatment.Advice.Act;

/** When a head is electrically dead (handbook 13, rule 6), and what must have been looked at before that is said. */
final class DriveGroups {

    private static final List<Look> UPSTREAM =
            List.of(Look.AIR, Look.DAMPER, Look.LINE, Look.INK_LEVEL, Look.SEAT, Look.DROP_TEST);

    private final Standing standing;
    private final Map<String, Integer> unchanged;

    /** Channels whose gaps keep to drive groups and have not moved over two rounds. */
    final List<String> channels;

    DriveGroups(Standing standing) {
        this.standing = standing;
        this.unchanged = Evidence.unchangedRounds(standing.rounds);
        this.channels = standing.visit.lastMap().map(this::keptTo).orElse(List.of());
    }

    private List<String> keptTo(NozzleMap map) {
        return standing.allChannels().stream()
                .filter(code -> unchanged.getOrDefault(code, 0) >= Evidence.ROUNDS_UNCHANGED)
                .filter(code -> {
                    ChannelFeatures f = ChannelFeatures.of(
                            map.channel(code), standing.visit.family().driveGroups());
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
                standing.advise(ELECTRICAL, Act.STOP_ELECTRICAL, null, channels, Map.of("rounds", "" + rounds)));
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
                .filter(l -> l.fits(standing.visit.family().construction()))
                .toList();
        return fitting.stream().anyMatch(l -> looked(l, code)) ? Optional.empty() : Optional.of(fitting.get(0));
    }

    private boolean looked(Look look, String code) {
        return standing.found.stream()
                .anyMatch(o -> look.findings().contains(o.sign())
                        && (o.channel() == null || o.channel().equals(code)));
    }

    private boolean facesFine() {
        return standing.found.stream().noneMatch(o -> o.sign() == Sign.FACE_DIRTY || o.sign() == Sign.STATION_CRUSTED);
    }
}
