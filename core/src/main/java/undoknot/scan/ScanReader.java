package undoknot.scan;

import boofcv.struct.image.GrayU8;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import undoknot.head.CheckLayout;
import undoknot.head.CheckLayout.Block;
import undoknot.head.CheckLayout.Direction;
import undoknot.scan.SheetNotFound.Why;
import undoknot.scan.SheetReading.ChannelReading;
import undoknot.scan.SheetReading.How;

/** Reads a picture of a printed check into a state and a confidence for every nozzle. */
public final class ScanReader {

    private static final double LEAST_PIXELS_PER_MM = 4.5;
    private static final double PATCH_PER_MM = 10;
    private static final double LOOSE_PER_MM = 6;
    private static final int FINDING_SIDE = 1500;

    /** Marks tell where the paper is; the printer may feed it a little off. */
    private static final double FEED_WINDOW_MM = 0.4;

    private static final double HAND_WINDOW_MM = 1.2;
    private static final double PATTERN_WINDOW_MM = 2.2;

    /** After a guess was moved to its best shift. */
    private static final double PROMISED_WINDOW_MM = 0.5;

    private static final double LEAST_COVER = 0.6;
    private static final double GOOD_COVER = 0.85;
    private static final double LEAST_LEAD = 0.012;
    private static final double MOST_RESIDUAL_MM = 0.2;

    private ScanReader() {}

    /**
     * Corners a person placed.
     *
     * @param sheet corners of the sheet in the picture, clockwise from its own top left; empty when it is to be found
     * @param blocks corners of single blocks by channel, in the same order
     */
    public record ByHand(List<Point> sheet, Map<String, List<Point>> blocks) {
        public static final ByHand NOTHING = new ByHand(List.of(), Map.of());
    }

    /**
     * @param image the picture, the right way round, upside down or on its side, turned by up to 10° from there
     * @param layout where the dashes should be
     * @throws SheetNotFound when the layout cannot be laid over the picture
     */
    public static SheetReading read(Raster image, CheckLayout layout, ByHand byHand) throws SheetNotFound {
        int shrink = Math.max(1, Math.max(image.width(), image.height()) / 5200 + 1);
        Raster picture = image.reduced(shrink);
        Placed placed = byHand.sheet().isEmpty()
                ? findEitherWay(picture, layout)
                : placedByHand(picture, layout, byHand, shrink);
        double perMm = placed.fit.plane().pixelsPerMm(layout.widthMm() / 2, layout.heightMm() / 2);
        if (perMm < LEAST_PIXELS_PER_MM) {
            throw new SheetNotFound(Why.TOO_COARSE, String.format("%.1f pixels a millimetre", perMm));
        }
        Map<String, ChannelReading> channels = judge(picture, layout, placed, byHand, shrink);
        Plane plane = placed.fit.plane().scaledPicture(shrink);
        return new SheetReading(
                channels,
                new SheetReading.Fit(
                        placed.how,
                        placed.fit.residualMm(),
                        plane.corners(layout.widthMm(), layout.heightMm()),
                        perMm * shrink,
                        placed.fit.cover(),
                        plane));
    }

    private record Placed(How how, PatternFit.Fit fit) {}

    private static Placed placedByHand(Raster picture, CheckLayout layout, ByHand byHand, int shrink)
            throws SheetNotFound {
        Plane plane = quad(byHand.sheet(), 0, 0, layout.widthMm(), layout.heightMm(), shrink);
        return new Placed(How.BY_HAND, PatternFit.tight(picture, layout, plane, HAND_WINDOW_MM, PATCH_PER_MM));
    }

    private static Plane quad(List<Point> corners, double x, double y, double width, double height, int shrink)
            throws SheetNotFound {
        double turn = 0;
        boolean convex = corners.size() == 4;
        for (int i = 0; convex && i < 4; i++) {
            Point a = corners.get(i);
            Point b = corners.get((i + 1) % 4);
            Point c = corners.get((i + 2) % 4);
            turn = (b.x() - a.x()) * (c.y() - b.y()) - (b.y() - a.y()) * (c.x() - b.x());
            convex = turn > 1;
        }
        if (!convex) {
            throw new SheetNotFound(Why.CORNERS, "the corners do not run clockwise around a sheet");
        }
        List<Point> sheet = List.of(
                new Point(x, y), new Point(x + width, y), new Point(x + width, y + height), new Point(x, y + height));
        return Plane.through(sheet, corners).scaledPicture(1.0 / shrink);
    }

    /** A sheet without marks may lie on its side; the shape of the picture says which way is tried first. */
    private static Placed findEitherWay(Raster picture, CheckLayout layout) throws SheetNotFound {
        boolean upright = picture.width() > picture.height() == layout.widthMm() > layout.heightMm();
        if (layout.marks() != null) {
            return find(picture, layout);
        }
        try {
            return upright ? find(picture, layout) : findOnItsSide(picture, layout);
        } catch (SheetNotFound likelier) {
            try {
                return upright ? findOnItsSide(picture, layout) : find(picture, layout);
            } catch (SheetNotFound alsoNot) {
                throw upright ? likelier : alsoNot;
            }
        }
    }

    private static Placed findOnItsSide(Raster picture, CheckLayout layout) throws SheetNotFound {
        Placed side = find(picture.onItsSide(), layout);
        Plane plane = Plane.of(0, 1, 0, -1, 0, picture.height(), 0, 0, 1).after(side.fit.plane());
        return new Placed(side.how, PatternFit.tight(picture, layout, plane, FEED_WINDOW_MM, PATCH_PER_MM));
    }

    private static Placed find(Raster picture, CheckLayout layout) throws SheetNotFound {
        int factor = Math.max(1, (int) Math.round(Math.max(picture.width(), picture.height()) / (double) FINDING_SIDE));
        Raster small = picture.reduced(factor);
        GrayU8 grey = grey(small);
        Optional<Plane> marked = MarkFinder.find(grey, layout);
        if (marked.isPresent()) {
            Plane plane = marked.get().scaledPicture(factor);
            return new Placed(How.MARKS, PatternFit.tight(picture, layout, plane, FEED_WINDOW_MM, PATCH_PER_MM));
        }
        List<Plane> guesses = new ArrayList<>();
        Optional<List<Point>> corners = PaperFinder.corners(grey);
        corners.ifPresent(c -> guesses.addAll(PaperFinder.planes(c, layout)));
        int byEdge = guesses.size();
        Placed best = null;
        for (int i = 0; i < byEdge; i++) {
            best = better(
                    best,
                    tryOut(picture, layout, guesses.get(i).scaledPicture(factor), How.PAPER_EDGE, PATTERN_WINDOW_MM));
        }
        if (best == null || !settled(best.fit)) {
            List<PatternFit.Promise> promises = new PatternFinder(small, layout)
                    .planes().stream()
                            .map(p -> PatternFit.promise(small, layout, p, PATTERN_WINDOW_MM))
                            .sorted(Comparator.comparingDouble(PatternFit.Promise::ink)
                                    .reversed())
                            .toList();
            for (PatternFit.Promise promise : promises) {
                if (best != null && settled(best.fit)) {
                    break;
                }
                Plane plane = promise.plane().scaledPicture(factor);
                best = better(best, tryOut(picture, layout, plane, How.PATTERN, PROMISED_WINDOW_MM));
            }
        }
        if (best == null) {
            throw new SheetNotFound(Why.NOTHING_PRINTED, "next to no ink");
        }
        if (best.fit.cover() < LEAST_COVER) {
            throw new SheetNotFound(Why.NO_FIT, String.format("%.0f %% of the ink on dashes", 100 * best.fit.cover()));
        }
        if (best.fit.lead() < LEAST_LEAD || best.fit.residualMm() > MOST_RESIDUAL_MM) {
            throw new SheetNotFound(
                    Why.AMBIGUOUS,
                    String.format(
                            "a lead of %.1f %%, blocks off by %.2f mm", 100 * best.fit.lead(), best.fit.residualMm()));
        }
        PatternFit.Fit fit = settled(best.fit)
                ? PatternFit.finish(picture, layout, best.fit.plane(), PATCH_PER_MM)
                : PatternFit.tight(picture, layout, best.fit.plane(), FEED_WINDOW_MM, PATCH_PER_MM);
        return new Placed(best.how, fit);
    }

    private static Placed tryOut(Raster picture, CheckLayout layout, Plane plane, How how, double windowMm) {
        PatternFit.Fit fit = PatternFit.loose(picture, layout, plane, windowMm, LOOSE_PER_MM);
        // A guess may be further off than the window: walk on from where the fit came to.
        for (int walk = 0; walk < 3 && fit.cover() > 0.25 && !settled(fit); walk++) {
            PatternFit.Fit next = PatternFit.loose(picture, layout, fit.plane(), PATTERN_WINDOW_MM, LOOSE_PER_MM);
            if (next.cover() <= fit.cover() && next.lead() <= fit.lead()) {
                break;
            }
            fit = next;
        }
        return new Placed(how, fit);
    }

    private static Placed better(Placed a, Placed b) {
        return a == null || score(b.fit) > score(a.fit) ? b : a;
    }

    private static boolean settled(PatternFit.Fit fit) {
        return fit.cover() >= GOOD_COVER && fit.lead() >= LEAST_LEAD && fit.residualMm() <= MOST_RESIDUAL_MM;
    }

    private static double score(PatternFit.Fit fit) {
        return fit.cover() - (fit.lead() < LEAST_LEAD ? 0.3 : 0) - Math.min(0.3, fit.residualMm());
    }

    private static GrayU8 grey(Raster picture) {
        GrayU8 grey = new GrayU8(picture.width(), picture.height());
        for (int y = 0, i = 0; y < picture.height(); y++) {
            for (int x = 0; x < picture.width(); x++, i++) {
                grey.data[i] = (byte) picture.luminance(x, y);
            }
        }
        return grey;
    }

    private static Map<String, ChannelReading> judge(
            Raster picture, CheckLayout layout, Placed placed, ByHand byHand, int shrink) throws SheetNotFound {
        int n = layout.blocks().size();
        DashReader[] readers = new DashReader[n];
        double[] usual = new double[n];
        for (int b = 0; b < n; b++) {
            Block block = layout.blocks().get(b);
            BlockPatch patch = placed.fit.patches().get(b);
            double[][] shifts = alongAndAcross(block, placed.fit.quarters()[b]);
            List<Point> corners = byHand.blocks().get(block.channel());
            if (corners != null) {
                Plane plane = quad(corners, block.xMm(), block.yMm(), block.widthMm(), block.heightMm(), shrink);
                patch = new BlockPatch(picture, plane, block, PATCH_PER_MM);
                shifts = new double[4][2];
            }
            List<String> others = layout.blocks().stream()
                    .filter(o -> o != block)
                    .map(Block::ink)
                    .toList();
            readers[b] = new DashReader(patch, shifts, others, ReadingRule.DEFAULT);
        }
        IntStream.range(0, n).parallel().forEach(b -> usual[b] = readers[b].measure());
        double byOthers = byOthers(usual);
        if (byOthers == 0) {
            throw new SheetNotFound(Why.NOTHING_PRINTED, "no dash in any block");
        }
        Map<String, ChannelReading> channels = new LinkedHashMap<>();
        for (int b = 0; b < n; b++) {
            boolean own = usual[b] > 0.3 * byOthers;
            DashReader.Channel read = readers[b].judge(own ? usual[b] : byOthers);
            channels.put(
                    layout.blocks().get(b).channel(),
                    new ChannelReading(
                            Arrays.asList(read.nozzles()),
                            read.noise() / Math.max(1e-6, read.usualArea()),
                            !own,
                            read.foreign()));
        }
        return channels;
    }

    /** How much ink a dash has on this sheet, from the channels that print: densities are shares of each one's ink. */
    private static double byOthers(double[] usual) {
        double[] known = Arrays.stream(usual).filter(u -> u > 0).sorted().toArray();
        return known.length == 0 ? 0 : known[known.length / 2];
    }

    private static double[][] alongAndAcross(Block block, double[][] quarters) {
        double[][] found = new double[4][];
        for (int q = 0; q < 4; q++) {
            boolean across = block.direction() == Direction.ACROSS;
            found[q] = new double[] {quarters[q][across ? 0 : 1], quarters[q][across ? 1 : 0]};
        }
        return found;
    }
}
