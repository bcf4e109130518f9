package undoknot.scan;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import undoknot.head.CheckLayout.Block;
import undoknot.nozzle.NozzleState;
import undoknot.scan.NozzleReading.Doubt;

/**
 * Gives every dash of a block its state. Missing needs bare paper to be seen, and firing the channel's own ink; whatever is
 * neither stays unread.
 */
final class DashJudge {

    /** Further off than this a dash may be the neighbour's. */
    private static final double OWN_ROWS = 0.28;

    /** Ink beside a dash, against the ink on it, from which it is thicker than a dash. */
    private static final double THICK = 0.75;

    /** So much ink where the neighbour cannot have put any is a dash of its own. */
    private static final double OWN_ENOUGH = 0.75;

    /**
     * Ink that moves further across from one end to the other is no dash but a pen's stroke, pitches. Of 216,000 dashes of stand-in
     * sheets 1 in 1,000 moved by more than 0.04; strokes taken for dashes moved by 0.12 and more.
     */
    private static final double MOST_SLANT = 0.08;

    private static final double PALE_PART = 0.15;

    /** A part of a dash has as much ink as a whole one has there, and not more. */
    private static final double MOST_STRENGTH = 1.3;

    /** Bare paper in a grey picture can be told from an ink that darkens it by at least this. */
    private static final double LEAST_GREY_CONTRAST = 0.18;

    /** So many printed dashes around one tell how strong ink looks there; less ink than this is no printed one. */
    private static final int NEAREST = 6;

    private static final double LEAST_PRINTED = 0.12;
    /** The nearest dashes are alike when the second and the last but one of them are as near as this. */
    private static final double MOST_SHADES = 0.25;

    private static final double FADES_BY = 0.08;
    private static final double PALE_AROUND = 0.82;
    private static final double SOUND_AROUND = 0.93;

    private final DashReader reader;
    private final ChannelInk ink;
    private final ReadingRule rule;
    private final Background background;
    private final int number;
    private final double[][] cells;
    private final double[] cover;
    private final double usual;
    private final boolean own;
    private final boolean blockInPlace;

    /**
     * @param number of the block in the layout
     * @param cells what the fit left in each cell of the block, mm
     * @param cover share of the ink in each cell that lies on dashes, or null for a block placed by hand
     * @param usual area of a sound dash of this channel
     * @param own whether that is known from its own dashes
     * @param blockInPlace whether the block does not fit better one nozzle further
     */
    DashJudge(
            DashReader reader,
            ChannelInk ink,
            ReadingRule rule,
            Background background,
            int number,
            double[][] cells,
            double[] cover,
            double usual,
            boolean own,
            boolean blockInPlace) {
        this.reader = reader;
        this.ink = ink;
        this.rule = rule;
        this.background = background;
        this.number = number;
        this.cells = cells;
        this.cover = cover;
        this.usual = usual;
        this.own = own;
        this.blockInPlace = blockInPlace;
    }

    SheetReading.ChannelReading judge() {
        Dash[] dashes = reader.dashes();
        List<NozzleReading> nozzles = new ArrayList<>();
        int foreign = 0;
        for (int i = 0; i < dashes.length; i++) {
            NozzleReading seen =
                    isSeen(dashes[i]) ? byInk(i + 1, dashes[i]) : unread(NozzleState.UNREAD, Doubt.OFF_PICTURE);
            foreign += seen.doubt() == Doubt.OTHER_INK || dashes[i].foreign > rule.foreignFrom() ? 1 : 0;
            nozzles.add(isSeen(dashes[i]) ? inItsPlace(i + 1, seen) : seen);
        }
        return new SheetReading.ChannelReading(
                nozzles, reader.noise() / Math.max(1e-6, usual), !own, foreign, ink.printsAs);
    }

    private boolean isSeen(Dash dash) {
        return !dash.offPicture && usual > 0;
    }

    private NozzleReading inItsPlace(int nozzle, NozzleReading seen) {
        Doubt place = doubtOfPlace(nozzle, seen.state());
        return place == null
                ? seen
                : new NozzleReading(NozzleState.UNREAD, seen.leaning(), 0.5, seen.offsetSteps(), seen.density(), place);
    }

    private static NozzleReading unread(NozzleState leaning, Doubt doubt) {
        return new NozzleReading(NozzleState.UNREAD, leaning, 0.5, 0, 0, doubt);
    }

    private Doubt doubtOfPlace(int nozzle, NozzleState state) {
        int cell = CellShifts.cellOf(reader.block, nozzle);
        double[] rest = cells[cell];
        boolean covered = cover == null || cover[cell] >= Placement.LEAST_COVER;
        if (!blockInPlace || !covered || Math.hypot(rest[0], rest[1]) > rule.restMm()) {
            return Doubt.NOT_IN_PLACE;
        }
        Block block = reader.block;
        double start = block.startMm(nozzle);
        double end = start + block.dashMm();
        double line = block.lineMm(nozzle);
        Doubt doubt = background.at(reader.patch, number, start, end, line);
        boolean pale = state == NozzleState.MISSING || state == NozzleState.WEAK;
        boolean washedOut = doubt == null
                && pale
                && isWashedOut(
                        nozzle,
                        state == NozzleState.WEAK,
                        background.mayWashOut(reader.patch, number, start, end, line));
        return washedOut ? Doubt.GLARE : doubt;
    }

    /** Ink of the printed dashes around a nozzle against the usual one, the nearest first. */
    private double[] around(int nozzle) {
        Block block = reader.block;
        double u = block.startMm(nozzle);
        double v = block.lineMm(nozzle);
        return java.util.stream.IntStream.rangeClosed(1, block.nozzles())
                .filter(n -> n != nozzle && reader.dashes()[n - 1].area > LEAST_PRINTED * usual)
                .boxed()
                .sorted(java.util.Comparator.comparingDouble(
                        n -> Math.hypot(block.startMm(n) - u, block.lineMm(n) - v)))
                .limit(3L * NEAREST)
                .mapToDouble(n -> reader.dashes()[n - 1].area / usual)
                .toArray();
    }

    /**
     * Whether the nearest printed dashes are pale and all alike, as washed-out ones are; those of a clogged channel are of all
     * shades. In light that may wash out that is enough, and for a weak dash it is enough that they are pale; elsewhere ink has
     * to fade from farther dashes to nearer ones, which a pale group does not.
     */
    private boolean isWashedOut(int nozzle, boolean weak, boolean mayWashOut) {
        double[] around = around(nozzle);
        if (around.length < 3 * NEAREST) {
            // Too few to tell: in such light what is pale is not called weak.
            return weak && mayWashOut;
        }
        double[] near = Arrays.copyOf(around, NEAREST);
        double[] farther = Arrays.copyOfRange(around, NEAREST, around.length);
        Arrays.sort(near);
        Arrays.sort(farther);
        boolean alike = near[NEAREST - 2] - near[1] < MOST_SHADES || weak && mayWashOut;
        boolean pale = near[NEAREST / 2] < (weak ? SOUND_AROUND : PALE_AROUND) && alike;
        return pale && (mayWashOut || farther[NEAREST] - near[NEAREST / 2] > FADES_BY);
    }

    private NozzleReading byInk(int nozzle, Dash dash) {
        double density = Math.max(0, dash.area / usual);
        double spread = Math.hypot(Math.max(rule.densitySpread(), reader.scatter()), reader.noise() / usual);
        double there = (density - rule.missingBelow()) / spread;
        double limit = ink.bareAny + rule.inkedFrom() * ink.usualAny;
        int parts = dash.partsAbove(limit);
        boolean inked = parts > rule.dustParts() || dash.anyInk() > limit;
        if (inked && !ink.hasOwnColour(dash, ink.usualAny)) {
            return unread(NozzleState.UNREAD, Doubt.OTHER_INK);
        }
        // A dash that is pale all along has its parts held against what it has itself.
        int whole = dash.partsAbove(ink.bareAny
                + Math.max(
                        PALE_PART * ink.usualAny,
                        Math.min(rule.inkedFrom() * ink.usualAny, (dash.anyInk() - ink.bareAny) / 2)));
        boolean isPart = parts >= 3 && parts <= Dash.PARTS - 3 && whole < Dash.PARTS - 2;
        NozzleReading half = isPart ? ofPart(nozzle, dash, limit, parts) : null;
        if (half != null) {
            return half;
        }
        return there < 0 ? missing(dash, density, there, parts) : printed(nozzle, dash, density, spread, there, whole);
    }

    /** A dash that begins late or ends early is weak by what is there of it; a pen or a stain that crosses it is no dash. */
    private NozzleReading ofPart(int nozzle, Dash dash, double limit, int parts) {
        boolean through = dash.gap > rule.throughFrom() * usual;
        double strength =
                Arrays.stream(dash.any).filter(a -> a > limit).average().orElse(0) / ink.usualAny;
        boolean dashLike = dash.fromOneEnd(limit)
                && strength > rule.weakBelow()
                && strength < MOST_STRENGTH
                && ink.hasJustItsColour(dash)
                && java.util.stream.IntStream.range(0, Dash.PARTS)
                        .filter(i -> dash.any[i] > limit)
                        .allMatch(i -> Math.max(reader.beside(nozzle, i, -1), reader.beside(nozzle, i, 1))
                                < ink.bareAny + rule.bareBelow() * ink.usualAny);
        if (through || !dashLike || dash.foreign > rule.foreignFrom() || !ink.isOwn() || !own) {
            return unread(NozzleState.WEAK, through ? Doubt.RUNS_THROUGH : Doubt.IN_PIECES);
        }
        double share = (double) parts / Dash.PARTS;
        return new NozzleReading(NozzleState.WEAK, NozzleState.WEAK, 0.95, 0, share * Math.min(1, strength), null);
    }

    /** Next to no ink of its own: missing where bare paper is seen. */
    private NozzleReading missing(Dash dash, double density, double there, int parts) {
        boolean ownInk = dash.partsInked >= Dash.PARTS / 2;
        double bareSpread = Math.hypot(0.05 * ink.usualAny, 1.5 * ink.bareScatter);
        double bare = (rule.bareBelow() * ink.usualAny - (dash.anyInk() - ink.bareAny)) / bareSpread;
        if (reader.patch.grey && (!own || reader.patch.ink.strongest() < LEAST_GREY_CONTRAST)) {
            return unread(NozzleState.MISSING, Doubt.GREY);
        }
        if (dash.foreign > rule.foreignFrom() && (density > 0.5 * rule.missingBelow() || parts > rule.dustParts())) {
            return unread(NozzleState.MISSING, Doubt.OTHER_INK);
        }
        if (parts > rule.dustParts()) {
            return unread(NozzleState.MISSING, Doubt.IN_PIECES);
        }
        Doubt doubt =
                ownInk && dash.own < 0.5 && density > 0.6 * rule.missingBelow() ? Doubt.WHOSE_DASH : Doubt.HARDLY_THERE;
        return given(NozzleState.MISSING, Math.min(chance(-there / 1.3), chance(bare)), 0, 0, doubt, false);
    }

    private NozzleReading printed(int nozzle, Dash dash, double density, double spread, double there, int parts) {
        double offsetSpread = Math.hypot(rule.offsetSpread(), 0.25 * reader.noise() / Math.max(dash.area, 1e-3));
        double full = (density - rule.weakBelow()) / spread;
        double off = (Math.abs(dash.offset) - rule.deflectedFrom()) / offsetSpread;
        NozzleState state = off > 0 ? NozzleState.DEFLECTED : full > 0 ? NozzleState.FIRING : NozzleState.WEAK;
        double chance = chance(there / 1.3);
        Doubt doubt = Doubt.HARDLY_THERE;
        double straight = chance(Math.abs(off));
        if (straight < chance) {
            chance = straight;
            doubt = Doubt.HARDLY_OFF;
        }
        double pale = off > 0 ? 1 : chance(Math.abs(full));
        if (pale < chance) {
            chance = pale;
            doubt = Doubt.HARDLY_PALE;
        }
        boolean never = true;
        if (dash.gap > rule.throughFrom() * Math.min(usual, dash.area / 0.8)
                || Math.abs(dash.slant) > MOST_SLANT
                || isThick(nozzle, dash)) {
            doubt = Doubt.RUNS_THROUGH;
        } else if (dash.foreign > rule.foreignFrom()) {
            doubt = Doubt.OTHER_INK;
        } else if (dash.partsInked < Dash.PARTS - 1 && Math.min(parts, dash.partsInked) < Dash.PARTS - 2) {
            doubt = Doubt.IN_PIECES;
        } else if (Math.abs(dash.offset) > OWN_ROWS && dash.own < 0.65 && density < OWN_ENOUGH) {
            doubt = Doubt.WHOSE_DASH;
        } else if (ink.printsAs != null) {
            doubt = Doubt.OTHER_INK;
        } else if (reader.patch.grey && !own) {
            doubt = Doubt.GREY;
        } else {
            never = false;
        }
        return given(state, chance, dash.offset, density, doubt, never);
    }

    /** Whether ink reaches beyond the dash to a side where no neighbour's dash has been pushed to: a stain, a pen, a shadow. */
    private boolean isThick(int nozzle, Dash dash) {
        double limit = ink.bareAny + THICK * dash.anyInk();
        for (int side = -1; side <= 1; side += 2) {
            int way = side;
            boolean pushedOver = Math.abs(dash.offset) > OWN_ROWS
                    || reader.block
                            .neighbour(nozzle, side)
                            .map(n -> -way * reader.dashes()[n - 1].offset > OWN_ROWS)
                            .orElse(false);
            long inked = java.util.stream.IntStream.range(0, Dash.PARTS)
                    .filter(part -> reader.beside(nozzle, part, way) > limit)
                    .count();
            if (inked > Dash.PARTS / 2 && !pushedOver) {
                return true;
            }
        }
        return false;
    }

    private NozzleReading given(
            NozzleState state, double chance, double offset, double density, Doubt doubt, boolean never) {
        double confidence = never ? Math.min(chance, 0.5) : chance;
        boolean sure = confidence >= rule.sure();
        return new NozzleReading(
                sure ? state : NozzleState.UNREAD,
                state,
                Math.max(0.5, confidence),
                offset,
                density,
                sure ? null : doubt);
    }

    /** Share of a normal distribution below so many standard deviations (logistic approximation, error below 0.01). */
    private static double chance(double deviations) {
        return 1 / (1 + Math.exp(-1.702 * deviations));
    }
}
