package undoknot.measure;

import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import undoknot.head.CheckLayout;
import undoknot.head.CheckLayout.Block;
import undoknot.head.CheckLayout.Paper;
import undoknot.simulator.Scanning;
import undoknot.simulator.Scanning.Table;
import undoknot.simulator.StrokeMix;

/**
 * A way in which sheets are spoilt, one row of the table.
 *
 * @param faults how many things are wrong at once; the bound on unread nozzles is held against rows of one fault
 * @param readable whether a person could read every block of it, so that a refusal counts
 */
record Degradation(
        String name,
        int faults,
        boolean readable,
        StrokeMix mix,
        Scanning scanning,
        UnaryOperator<CheckLayout> layout) {

    private static final Scanning CLEAN = Scanning.CLEAN;
    private static final Scanning SCAN = CLEAN.dpi(240);
    private static final Scanning PHOTO = SCAN.photo(0.15);

    private static Degradation one(String name, Scanning scanning) {
        return of(name, StrokeMix.SCATTERED, scanning);
    }

    private static Degradation of(String name, StrokeMix mix, Scanning scanning) {
        return new Degradation(name, 1, true, mix, scanning, UnaryOperator.identity());
    }

    private Degradation harder() {
        return new Degradation(name, 2, readable, mix, scanning, layout);
    }

    private Degradation notReadable() {
        return new Degradation(name, 2, false, mix, scanning, layout);
    }

    private Degradation on(UnaryOperator<CheckLayout> other) {
        return new Degradation(name, faults, readable, mix, scanning, other);
    }

    static final List<Degradation> ALL = List.of(
            one("clean, 300 dpi", CLEAN),
            one("150 dpi", CLEAN.dpi(150)),
            one("600 dpi", CLEAN.dpi(600)),
            one("turned by 4°", CLEAN.dpi(200).turned(4, false)),
            one("turned by −10°, 150 dpi", CLEAN.dpi(150).turned(-10, false)).harder(),
            one("upside down, turned by 2°", SCAN.turned(2, true)),
            one("hand-held photo", PHOTO),
            one("slanted photo, turned by 7°", SCAN.turned(7, false).photo(0.35))
                    .harder(),
            one("uneven light", SCAN.light(0.45)),
            one("tinted paper", SCAN.paper("#f3ead2")),
            one("dust", SCAN.dirt(500, 0, 0)),
            one("fibres", SCAN.dirt(60, 40, 0)),
            one("folds", SCAN.dirt(0, 0, 2)),
            one("JPEG quality 60", SCAN.jpeg(0.6)),
            one("JPEG quality 60, 150 dpi", CLEAN.dpi(150).jpeg(0.6)).harder(),
            of("channels wholly out", StrokeMix.CHANNELS_OUT, SCAN),
            of("clogged channels", StrokeMix.CLOGGED, SCAN),
            of("clogged channels, photo", StrokeMix.CLOGGED, PHOTO),
            of("one channel alone prints", StrokeMix.ONE_CHANNEL, SCAN),
            of("another channel's ink in a whole block", StrokeMix.OTHER_INK, SCAN),
            of("a neighbour's ink in blocks", StrokeMix.SCATTERED, SCAN.smeared(12)),
            of("deflected dashes touching", StrokeMix.TOUCHING, SCAN),
            of("pale half-blocks", StrokeMix.PALE_HALF, SCAN),
            of("half-length dashes", StrokeMix.HALF_LENGTH, SCAN),
            one("white on film", SCAN).on(layout -> white(layout, Paper.FILM)),
            one("white on dark stock", SCAN).on(layout -> white(layout, Paper.DARK)),
            one("scanned in grey", SCAN.grey()),
            one("grey, upside down", SCAN.grey().turned(1, true)).harder(),
            one("lens, 3 %", PHOTO.lens(0.03)),
            one("lens, 8 %", PHOTO.lens(0.08)).harder(),
            one("bent by 2 mm", SCAN.bent(2, 0)),
            one("crumpled", SCAN.bent(0, 0.8)),
            one("moved by 3 pixels", SCAN.moved(3)),
            one("glare", PHOTO.lamp(0.9, 0)),
            one("warm light", PHOTO.lamp(0, 1)),
            one("stains", SCAN.used(3, 0, 0)),
            one("handwriting", SCAN.used(0, 8, 0)),
            one("show-through", SCAN.used(0, 0, 40)),
            one("cropped at 65 mm", SCAN.cutAt(65)).notReadable(),
            one("photo on a chequered cloth", PHOTO.on(Table.CHEQUERED)),
            one("photo on a wooden table", PHOTO.on(Table.WOOD)),
            one("carriage dirt", SCAN.carriage(14, 0)),
            one("banding", SCAN.carriage(0, 0.25)),
            of(
                            "all at once",
                            StrokeMix.TOUCHING,
                            CLEAN.dpi(220)
                                    .turned(-3, true)
                                    .paper("#efe6cf")
                                    .dirt(250, 15, 1)
                                    .smeared(6)
                                    .light(0.3)
                                    .jpeg(0.6))
                    .harder(),
            one(
                            "a photo with everything",
                            PHOTO.turned(2, false)
                                    .lens(0.02)
                                    .moved(1.5)
                                    .lamp(0.5, 0.5)
                                    .used(1, 3, 20))
                    .harder());

    /** The layout with its first block printed in white on another stock. */
    private static CheckLayout white(CheckLayout layout, Paper paper) {
        List<Block> blocks = new ArrayList<>(layout.blocks());
        Block b = blocks.get(0);
        blocks.set(
                0,
                new Block(
                        b.channel(),
                        b.stairs(),
                        b.steps(),
                        b.direction(),
                        b.stairsReversed(),
                        b.stepsReversed(),
                        b.dashMm(),
                        b.pitchMm(),
                        b.xMm(),
                        b.yMm(),
                        b.widthMm(),
                        b.heightMm(),
                        "#f2f3f4",
                        paper));
        return new CheckLayout(
                layout.name(), layout.family(), layout.widthMm(), layout.heightMm(), layout.marks(), blocks);
    }
}
