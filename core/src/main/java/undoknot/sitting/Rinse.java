package undoknot.sitting;

import java.util.Arrays;
import java.util.Collection;
import java.util.List;

/**
 * A rinse as it stands. It goes on until the colour of every channel has been seen and then all run clear, both ways; the last
 * turn is with deionised water (handbook 8).
 *
 * @param channels in the order of the ports
 * @param lastDeionised whether the last turn was with deionised water
 */
public record Rinse(List<Row> channels, boolean lastDeionised) {

    /**
     * @param seen whether its colour has come out: one that has not is the blocked one
     * @param clearBy ways at whose last turn it ran clear
     */
    public record Row(String channel, boolean seen, List<Turn.Way> clearBy) {
        public boolean isDone() {
            return seen && clearBy.size() == Turn.Way.values().length;
        }
    }

    public static Rinse of(Collection<String> channels, List<Turn> turns) {
        return new Rinse(
                channels.stream()
                        .map(code -> new Row(
                                code,
                                turns.stream().anyMatch(t -> t.seen().contains(code)),
                                Arrays.stream(Turn.Way.values())
                                        .filter(way -> isClear(code, way, turns))
                                        .toList()))
                        .toList(),
                !turns.isEmpty()
                        && Boolean.TRUE.equals(turns.get(turns.size() - 1).deionised()));
    }

    private static boolean isClear(String code, Turn.Way way, List<Turn> turns) {
        return turns.stream()
                .filter(t -> t.way() == way)
                .reduce((a, b) -> b)
                .filter(t -> t.clear().contains(code))
                .isPresent();
    }

    /** Whether every channel is done, so that only the deionised water is missing. */
    public boolean allClear() {
        return channels.stream().allMatch(Row::isDone);
    }

    public boolean isOver() {
        return allClear() && lastDeionised;
    }

    /** Channels that are not done yet. */
    public List<String> open() {
        return channels.stream().filter(r -> !r.isDone()).map(Row::channel).toList();
    }
}
