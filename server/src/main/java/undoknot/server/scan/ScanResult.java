package undoknot.server.scan;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.lang.Nullable;
import undoknot.nozzle.ChannelMap;
import undoknot.nozzle.NozzleMap;
import undoknot.scan.LookFirst;
import undoknot.scan.NozzleReading;
import undoknot.scan.Point;
import undoknot.scan.SheetNotFound;
import undoknot.scan.SheetReading;

/**
 * What the reader saw on a scan, or why it could not place the sheet.
 *
 * @param notFound why the sheet could not be placed; corners by hand are the way out
 * @param detail what was found instead, in numbers
 */
public record ScanResult(
        @Nullable SheetNotFound.Why notFound,
        @Nullable String detail,
        @Nullable FitView fit,
        Map<String, ChannelResult> channels) {

    /**
     * @param residualMm typical distance between printed dashes and the layout laid over them
     * @param corners of the sheet in the picture, pixels, clockwise from its own top left
     * @param cover share of the ink in the blocks that lies on a dash
     * @param grey whether the picture has no colour, so that channels were told by their place alone
     */
    public record FitView(
            SheetReading.How how,
            double residualMm,
            List<Point> corners,
            double pixelsPerMm,
            double cover,
            boolean grey) {}

    /**
     * Lists and texts begin with nozzle 1.
     *
     * @param states one letter a nozzle, see the nozzle map
     * @param leaning the state each would take if it had to
     * @param confidence percent that {@code leaning} is right
     * @param offsets steps off its place
     * @param densities percent of the channel's usual ink
     * @param doubts why a nozzle was left unread, by nozzle
     * @param usualFromOthers whether other channels told how dark a dash should be
     * @param foreign nozzles with another channel's ink
     * @param printsAs the channel whose ink all of its dashes have, empty when that is not known, absent when they have their own
     */
    public record ChannelResult(
            String states,
            String leaning,
            List<Integer> confidence,
            List<Double> offsets,
            List<Integer> densities,
            Map<Integer, NozzleReading.Doubt> doubts,
            boolean usualFromOthers,
            int foreign,
            @Nullable String printsAs) {}

    static ScanResult of(SheetNotFound e) {
        return new ScanResult(e.why(), e.getMessage(), null, Map.of());
    }

    /** @param every which row and column of the file was decoded */
    static ScanResult of(SheetReading reading, int every) {
        Map<String, ChannelResult> channels = new LinkedHashMap<>();
        reading.channels().forEach((code, channel) -> {
            StringBuilder states = new StringBuilder();
            StringBuilder leaning = new StringBuilder();
            List<Integer> confidence = new ArrayList<>();
            List<Double> offsets = new ArrayList<>();
            List<Integer> densities = new ArrayList<>();
            Map<Integer, NozzleReading.Doubt> doubts = new LinkedHashMap<>();
            int number = 0;
            for (NozzleReading nozzle : channel.nozzles()) {
                number++;
                states.append(nozzle.state().letter());
                leaning.append(nozzle.leaning().letter());
                // Never rounded up to certainty.
                confidence.add((int) Math.floor(100 * nozzle.confidence()));
                offsets.add(Math.round(100 * nozzle.offsetSteps()) / 100.0);
                densities.add((int) Math.round(100 * nozzle.density()));
                if (nozzle.doubt() != null) {
                    doubts.put(number, nozzle.doubt());
                }
            }
            channels.put(
                    code,
                    new ChannelResult(
                            states.toString(),
                            leaning.toString(),
                            confidence,
                            offsets,
                            densities,
                            doubts,
                            channel.usualFromOthers(),
                            channel.foreign(),
                            channel.printsAs()));
        });
        SheetReading.Fit fit = reading.fit();
        return new ScanResult(
                null,
                null,
                new FitView(
                        fit.how(),
                        fit.residualMm(),
                        fit.corners().stream().map(c -> c.scaled(every)).toList(),
                        fit.pixelsPerMm() * every,
                        fit.cover(),
                        fit.grey()),
                channels);
    }

    /** Nozzles with another channel's ink, by channel. */
    public Map<String, Integer> foreign() {
        Map<String, Integer> foreign = new LinkedHashMap<>();
        channels.forEach((code, channel) -> foreign.put(code, channel.foreign()));
        return foreign;
    }

    /** What a person looks at before it is accepted: channels, and the whole sheet, see {@link LookFirst}. */
    public List<String> mustBeLookedAt() {
        if (channels.isEmpty()) {
            return List.of();
        }
        Map<String, ChannelMap> maps = new LinkedHashMap<>();
        channels.forEach((code, channel) -> maps.put(code, ChannelMap.of(channel.states())));
        return LookFirst.at(new NozzleMap(maps));
    }

    public Map<String, String> states() {
        Map<String, String> states = new LinkedHashMap<>();
        channels.forEach((code, channel) -> states.put(code, channel.states()));
        return states;
    }
}
