package undoknot.scan;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import undoknot.head.CheckLayout;
import undoknot.head.CheckLayout.Block;
import undoknot.head.CheckLayout.Direction;
import undoknot.scan.SheetNotFound.Why;
import undoknot.scan.SheetReading.ChannelReading;

/** Reads a picture of a printed check into a state and a confidence for every nozzle. */
public final class ScanReader {

    private static final double LEAST_PIXELS_PER_MM = 4.5;

    /** Finer pictures than this, pixels a millimetre as far as can be told before the sheet is found, are reduced first. */
    private static final double ENOUGH_PIXELS_PER_MM = 11.5;

    /** A block that fits better one nozzle further by this share is not in its place. */
    private static final double OUT_OF_PLACE = -0.02;

    /** A channel whose dashes have less ink than this, against those of the others, has none of its own. */
    private static final double OWN_SHARE = 0.3;

    /**
     * On a sheet with no dash at all: the area of one, and its ink of any colour, as full ink and a line a quarter of a
     * millimetre thick give them on a usual step of 0.9 mm.
     */
    private static final double FULL_AREA = 0.27;

    private static final double FULL_ANY = 0.45;

    private ScanReader() {}

    /**
     * Corners a person placed.
     *
     * @param sheet corners of the sheet in the picture, clockwise from its own top left; empty when it is to be found
     * @param blocks corners of single blocks by channel, in the same order
     */
    public record ByHand(List<Point> sheet, Map<String, List<Point>> blocks) {
        public static final ByHand NOTHING = new ByHand(List.of(), Map.of());

        /** The same corners in the same picture made larger or smaller. */
        public ByHand scaled(double factor) {
            Map<String, List<Point>> scaled = new LinkedHashMap<>();
            blocks.forEach((channel, corners) -> scaled.put(channel, scaled(corners, factor)));
            return new ByHand(scaled(sheet, factor), scaled);
        }

        private static List<Point> scaled(List<Point> corners, double factor) {
            return corners.stream().map(c -> c.scaled(factor)).toList();
        }
    }

    /**
     * @param image the picture, the right way round, upside down or on its side, turned by up to 10° from there
     * @param layout where the dashes should be
     * @throws SheetNotFound when the layout cannot be laid over the picture
     */
    public static SheetReading read(Raster image, CheckLayout layout, ByHand byHand) throws SheetNotFound {
        double guess = Math.max(image.width(), image.height()) / Math.max(layout.widthMm(), layout.heightMm());
        int shrink = Math.max(1, (int) (guess / ENOUGH_PIXELS_PER_MM));
        // A sheet may be a small part of a large picture: reduced for nothing, it is looked at again as it is.
        while (true) {
            try {
                return read(image.reduced(shrink), layout, byHand, shrink, guess);
            } catch (SheetNotFound e) {
                if (shrink == 1 || e.why() != Why.TOO_COARSE) {
                    throw e;
                }
                shrink = 1;
            }
        }
    }

    private static SheetReading read(Raster picture, CheckLayout layout, ByHand byHand, int shrink, double guess)
            throws SheetNotFound {
        SheetFinder finder = new SheetFinder(picture, layout);
        SheetFinder.Placed placed;
        try {
            placed = byHand.sheet().isEmpty()
                    ? finder.find()
                    : finder.byHand(quad(byHand.sheet(), 0, 0, layout.widthMm(), layout.heightMm(), shrink));
        } catch (SheetNotFound e) {
            if (guess < LEAST_PIXELS_PER_MM && e.why() != Why.NOTHING_PRINTED && e.why() != Why.CORNERS) {
                throw new SheetNotFound(Why.TOO_COARSE, String.format("%.1f pixels a millimetre", guess));
            }
            throw e;
        }
        Warp warp = placed.fit().warp();
        double perMm = warp.pixelsPerMm(layout.widthMm() / 2, layout.heightMm() / 2);
        if (perMm < LEAST_PIXELS_PER_MM) {
            throw new SheetNotFound(Why.TOO_COARSE, String.format("%.1f pixels a millimetre", perMm * shrink));
        }
        Map<String, ChannelReading> channels = judge(picture, layout, placed, byHand, shrink);
        Warp whole = warp.scaledPicture(shrink);
        return new SheetReading(
                channels,
                new SheetReading.Fit(
                        placed.how(),
                        placed.fit().residualMm(),
                        whole.corners(),
                        perMm * shrink,
                        placed.fit().cover(),
                        whole,
                        picture.isGrey()));
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

    private static Map<String, ChannelReading> judge(
            Raster picture, CheckLayout layout, SheetFinder.Placed placed, ByHand byHand, int shrink)
            throws SheetNotFound {
        ReadingRule rule = ReadingRule.DEFAULT;
        int n = layout.blocks().size();
        DashReader[] readers = new DashReader[n];
        double[][][] cells = placed.fit().cells().clone();
        double[][] cover = placed.fit().cellCover().clone();
        boolean[] inPlace = new boolean[n];
        for (int b = 0; b < n; b++) {
            Block block = layout.blocks().get(b);
            BlockPatch patch = placed.fit().patches().get(b);
            inPlace[b] = placed.fit().leads()[b] >= OUT_OF_PLACE;
            List<Point> corners = byHand.blocks().get(block.channel());
            if (corners != null) {
                Plane plane = quad(corners, block.xMm(), block.yMm(), block.widthMm(), block.heightMm(), shrink);
                Warp warp = Warp.flat(plane, layout.widthMm(), layout.heightMm());
                patch = new BlockPatch(picture, warp, block, SheetFinder.PATCH_PER_MM);
                cells[b] = new double[CellShifts.CELLS][3];
                cover[b] = null;
                inPlace[b] = PatternFit.leadOf(patch) >= OUT_OF_PLACE;
            }
            readers[b] = new DashReader(
                    patch,
                    alongAndAcross(block, cells[b]),
                    othersThan(layout, block).stream().map(Block::ink).toList());
        }
        double[] usual = new double[n];
        IntStream.range(0, n).parallel().forEach(b -> usual[b] = readers[b].measure());
        double byOthers = byOthers(usual);
        double anyUsual = byOthers(
                Arrays.stream(readers).mapToDouble(ChannelInk::usualAny).toArray());
        boolean blank = byOthers == 0;
        Background background =
                new Background(Arrays.stream(readers).map(r -> r.patch).toList());
        Map<String, ChannelReading> channels = new LinkedHashMap<>();
        for (int b = 0; b < n; b++) {
            Block block = layout.blocks().get(b);
            ChannelInk ink = new ChannelInk(readers[b], othersThan(layout, block), blank ? FULL_ANY : anyUsual, rule);
            boolean own = usual[b] > OWN_SHARE * byOthers && ink.isOwn();
            DashJudge judge = new DashJudge(
                    readers[b],
                    ink,
                    rule,
                    background,
                    b,
                    cells[b],
                    cover[b],
                    blank ? FULL_AREA : own ? usual[b] : byOthers,
                    own,
                    inPlace[b]);
            channels.put(block.channel(), judge.judge());
        }
        return channels;
    }

    private static List<Block> othersThan(CheckLayout layout, Block block) {
        return layout.blocks().stream().filter(o -> o != block).toList();
    }

    /** How much ink a dash has on this sheet, from the channels that print: densities are shares of each one's ink. */
    private static double byOthers(double[] usual) {
        double[] known = Arrays.stream(usual).filter(u -> u > 0).sorted().toArray();
        return known.length == 0 ? 0 : known[known.length / 2];
    }

    private static double[][] alongAndAcross(Block block, double[][] cells) {
        boolean across = block.direction() == Direction.ACROSS;
        return Arrays.stream(cells)
                .map(c -> new double[] {c[across ? 0 : 1], c[across ? 1 : 0]})
                .toArray(double[][]::new);
    }
}
