package undoknot.nozzle;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import undoknot.head.Channel;
import undoknot.head.Family;

/** The reading of a whole head: a channel map for each channel, in port order. */
public record NozzleMap(Map<String, ChannelMap> channels) {

    public NozzleMap {
        if (channels.isEmpty()) {
            throw new IllegalArgumentException("a nozzle map has at least one channel");
        }
        channels = Collections.unmodifiableMap(new LinkedHashMap<>(channels));
    }

    /** Every nozzle of a family in one state. */
    public static NozzleMap filled(Family family, NozzleState state) {
        Map<String, ChannelMap> channels = new LinkedHashMap<>();
        for (Channel channel : family.channels()) {
            channels.put(channel.code(), ChannelMap.filled(channel.nozzles(), state));
        }
        return new NozzleMap(channels);
    }

    /**
     * Reads a map from one compact text a channel and holds it against the family.
     *
     * @throws MapMismatch when a channel is missing, unknown or of another length, or has an unknown letter
     */
    public static NozzleMap of(Family family, Map<String, String> texts) {
        Map<String, ChannelMap> channels = new LinkedHashMap<>();
        for (Channel channel : family.channels()) {
            String text = texts.get(channel.code());
            if (text == null) {
                throw new MapMismatch(channel.code(), "the reading has no channel " + channel.code());
            }
            if (text.length() != channel.nozzles()) {
                throw new MapMismatch(
                        channel.code(),
                        "channel " + channel.code() + " has " + channel.nozzles() + " nozzles, the reading has "
                                + text.length());
            }
            try {
                channels.put(channel.code(), ChannelMap.of(text));
            } catch (IllegalArgumentException e) {
                throw new MapMismatch(channel.code(), "channel " + channel.code() + ": " + e.getMessage());
            }
        }
        for (String code : texts.keySet()) {
            if (!channels.containsKey(code)) {
                throw new MapMismatch(code, "the family has no channel " + code);
            }
        }
        return new NozzleMap(channels);
    }

    public ChannelMap channel(String code) {
        ChannelMap map = channels.get(code);
        if (map == null) {
            throw new IllegalArgumentException("no channel " + code + " in this map");
        }
        return map;
    }

    /** The same with the nozzles that it leaves unread as an earlier reading of the same head has them. */
    public NozzleMap completedBy(NozzleMap earlier) {
        Map<String, ChannelMap> completed = new LinkedHashMap<>();
        channels.forEach((code, map) -> {
            ChannelMap old = earlier.channels.get(code);
            completed.put(code, old == null || old.size() != map.size() ? map : map.completedBy(old));
        });
        return new NozzleMap(completed);
    }

    /** Nozzles by channel that the map does not show as missing. */
    public Map<String, Integer> notMissing() {
        Map<String, Integer> open = new LinkedHashMap<>();
        channels.forEach((code, map) -> open.put(code, map.size() - map.count(NozzleState.MISSING)));
        return open;
    }

    public int count(NozzleState state) {
        return channels.values().stream().mapToInt(map -> map.count(state)).sum();
    }

    /** The compact texts, see {@link #of(Family, Map)}. */
    public Map<String, String> texts() {
        Map<String, String> texts = new LinkedHashMap<>();
        channels.forEach((code, map) -> texts.put(code, map.toString()));
        return texts;
    }

    /** A reading that does not belong to the family it is held against. */
    public static final class MapMismatch extends IllegalArgumentException {
        private final String channel;

        MapMismatch(String channel, String message) {
            super(message);
            this.channel = channel;
        }

        public String channel() {
            return channel;
        }
    }
}
