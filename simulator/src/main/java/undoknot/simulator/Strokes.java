package undoknot.simulator;

import java.util.LinkedHashMap;
import java.util.Map;
import undoknot.head.CheckLayout;
import undoknot.nozzle.ChannelMap;
import undoknot.nozzle.NozzleMap;
import undoknot.nozzle.NozzleState;

/**
 * What the nozzles of a head put on paper for one check: the truth that a reading is held against.
 *
 * @param channels for each channel one stroke a nozzle, nozzle 1 first
 * @param inks the channel whose ink a channel prints with, where that is not its own
 */
public record Strokes(Map<String, Stroke[]> channels, Map<String, String> inks) {

    public Strokes(Map<String, Stroke[]> channels) {
        this(channels, Map.of());
    }

    /** The same, a channel of it printing with another channel's ink. */
    public Strokes withInk(String channel, String inkOf) {
        Map<String, String> other = new LinkedHashMap<>(inks);
        other.put(channel, inkOf);
        return new Strokes(channels, other);
    }

    /** The same on a layout: an ink is only put where its block has the same paper, since black on black cannot be seen. */
    public Strokes on(CheckLayout layout) {
        Map<String, String> visible = new LinkedHashMap<>();
        inks.forEach((channel, ink) -> {
            boolean alike = layout.block(channel)
                    .map(CheckLayout.Block::paper)
                    .equals(layout.block(ink).map(CheckLayout.Block::paper));
            if (alike) {
                visible.put(channel, ink);
            }
        });
        return new Strokes(channels, visible);
    }

    /** Beyond these a stroke counts as weak, missing or deflected. The printer keeps well away from the borders. */
    private static final double WEAK_BELOW = 0.7;

    private static final double MISSING_BELOW = 0.15;
    private static final double DEFLECTED_FROM = 0.22;

    /**
     * One dash.
     *
     * @param density ink against a sound dash; 0 when nothing comes
     * @param offsetSteps how far off its place across the dash, in steps
     * @param length share of its length that is there, from its start; negative from its end
     */
    public record Stroke(double density, double offsetSteps, double length) {
        static final Stroke NONE = new Stroke(0, 0);

        public Stroke(double density, double offsetSteps) {
            this(density, offsetSteps, 1);
        }

        NozzleState state() {
            if (density < MISSING_BELOW) {
                return NozzleState.MISSING;
            }
            if (Math.abs(offsetSteps) >= DEFLECTED_FROM) {
                return NozzleState.DEFLECTED;
            }
            return density * Math.abs(length) < WEAK_BELOW ? NozzleState.WEAK : NozzleState.FIRING;
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
