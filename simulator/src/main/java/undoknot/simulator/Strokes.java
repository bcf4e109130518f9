package undoknot.simulator;

import java.util.LinkedHashMap;
import java.util.Map;
import undoknot.nozzle.ChannelMap;
import undoknot.nozzle.NozzleMap;
import undoknot.nozzle.NozzleState;

/**
 * What the nozzles of a head put on paper for one check: the truth that a reading is held against.
 *
 * @param channels for each channel one stroke a nozzle, nozzle 1 first
 */
public record Strokes(Map<String, Stroke[]> channels) {

    /** Beyond these a stroke counts as weak, missing or deflected. The printer keeps well away from the borders. */
    private static final double WEAK_BELOW = 0.7;

    private static final double MISSING_BELOW = 0.15;
    private static final double DEFLECTED_FROM = 0.22;

    /**
     * One dash.
     *
     * @param density ink against a sound dash; 0 when nothing comes
     * @param offsetSteps how far off its place across the dash, in steps
     */
    public record Stroke(double density, double offsetSteps) {
        static final Stroke NONE = new Stroke(0, 0);

        NozzleState state() {
            if (density < MISSING_BELOW) {
                return NozzleState.MISSING;
            }
            if (Math.abs(offsetSteps) >= DEFLECTED_FROM) {
                return NozzleState.DEFLECTED;
            }
            return density < WEAK_BELOW ? NozzleState.WEAK : NozzleState.FIRING;
        }
    }

    public NozzleMap truth() {
        Map<String, ChannelMap> maps = new LinkedHashMap<>();
        channels.forEach((code, strokes) -> {
            StringBuilder text = new StringBuilder();
            for (Stroke stroke : strokes) {
                text.append(stroke.state().letter());
            }
            maps.put(code, ChannelMap.of(text.toString()));
        });
        return new NozzleMap(maps);
    }
}
