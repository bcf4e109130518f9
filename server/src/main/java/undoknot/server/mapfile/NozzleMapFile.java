package undoknot.server.mapfile;

import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.lang.Nullable;
import undoknot.head.Family;
import undoknot.nozzle.NozzleMap;

/**
 * A nozzle map as a file; its schema is {@code /api/schemas/nozzle-map.schema.json}.
 *
 * @param format always {@value #FORMAT}
 * @param takenAt when the check was taken, when that is known
 * @param simulated whether a stand-in made it
 */
public record NozzleMapFile(
        String format, String family, @Nullable Instant takenAt, boolean simulated, List<ChannelStates> channels) {

    public static final String FORMAT = "undoknot.nozzle-map/1";

    /** @param states one letter a nozzle, nozzle 1 first: F firing, W weak, D deflected, M missing, U unread */
    public record ChannelStates(String code, String colour, int nozzles, String states) {}

    public static NozzleMapFile of(Family family, NozzleMap map, Instant takenAt, boolean simulated) {
        return new NozzleMapFile(
                FORMAT,
                family.code(),
                takenAt,
                simulated,
                family.channels().stream()
                        .map(c -> new ChannelStates(
                                c.code(),
                                c.colour(),
                                c.nozzles(),
                                map.channel(c.code()).toString()))
                        .toList());
    }

    Map<String, String> texts() {
        Map<String, String> texts = new LinkedHashMap<>();
        channels.forEach(c -> texts.put(c.code(), c.states()));
        return texts;
    }
}
