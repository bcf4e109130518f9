package undoknot.scan;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import undoknot.nozzle.ChannelMap;
import undoknot.nozzle.NozzleMap;

/**
 * A sheet as it was read.
 *
 * @param channels readings of each channel's nozzles, nozzle 1 first, in the order of the layout
 * @param fit how the sheet was found
 */
public record SheetReading(Map<String, ChannelReading> channels, Fit fit) {

    /** How the sheet was found in the picture. */
    public enum How {
        MARKS,
        /** By the edges of the paper, then the pattern. */
        PAPER_EDGE,
        PATTERN,
        /** By corners placed by hand. */
        BY_HAND
    }

    /**
     * @param how how the sheet was found
     * @param residualMm typical distance between printed dashes and the layout laid over them, mm
     * @param corners corners of the sheet in the picture, pixels, clockwise from the sheet's own top left
     * @param pixelsPerMm resolution of the picture on the sheet
     * @param cover share of the ink in the blocks that lies on a dash of the layout
     * @param warp from millimetres on the sheet to pixels
     * @param grey whether the picture has no colour, so that channels are told by their place alone
     */
    public record Fit(
            How how,
            double residualMm,
            List<Point> corners,
            double pixelsPerMm,
            double cover,
            Warp warp,
            boolean grey) {}

    /**
     * @param nozzles nozzle 1 first
     * @param noise scatter of bare paper as a share of a usual dash
     * @param usualFromOthers whether the channel has too few dashes of its own, so that the other channels' told how
     *     dark a dash should be
     * @param foreign nozzles at which another channel's ink was seen
     * @param printsAs the channel whose ink all of its dashes have instead of their own, empty when that is not known, or
     *     null when they have their own
     */
    public record ChannelReading(
            List<NozzleReading> nozzles, double noise, boolean usualFromOthers, int foreign, String printsAs) {
        public ChannelReading {
            nozzles = List.copyOf(nozzles);
        }

        ChannelMap map() {
            StringBuilder text = new StringBuilder();
            nozzles.forEach(n -> text.append(n.state().letter()));
            return ChannelMap.of(text.toString());
        }
    }

    public NozzleMap map() {
        Map<String, ChannelMap> maps = new LinkedHashMap<>();
        channels.forEach((code, reading) -> maps.put(code, reading.map()));
        return new NozzleMap(maps);
    }
}
