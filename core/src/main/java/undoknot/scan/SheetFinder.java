package undoknot.scan;

import boofcv.struct.image.GrayU8;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import undoknot.head.CheckLayout;
import undoknot.scan.SheetNotFound.Why;
import undoknot.scan.SheetReading.How;

/** Finds the sheet in the picture: by its marks, by the edge of the paper, by the pattern, or from corners placed by hand. */
final class SheetFinder {

    /** Pixels a millimetre at which dashes are judged. */
    static final double PATCH_PER_MM = 10;

    private static final double LOOSE_PER_MM = 6;
    private static final int FINDING_SIDE = 1500;

    /** Marks tell where the paper is; the printer may feed it a little off. */
    private static final double FEED_WINDOW_MM = 0.4;

    private static final double HAND_WINDOW_MM = 1.2;
    private static final double PATTERN_WINDOW_MM = 2.2;

    /** After a guess was moved to its best shift. */
    private static final double PROMISED_WINDOW_MM = 0.5;

    private static final double GOOD_COVER = 0.85;

    /** A flat sheet is left flat; beyond this what is left, mm, is followed by bending. */
    private static final double FLAT_MM = 0.07;

    /** What has to be gained by bending; a dirty flat sheet is not bent. */
    private static final double WORTH_BENDING = 0.03;

    /** A guess that explains less of the strokes than this is not followed. */
    private static final double WORTH_A_LOOK = 0.12;

    /** A guess by the edge of the paper that explains this share of the strokes leaves nothing to look for. */
    private static final double ENOUGH = 0.8;

    /** A try that explains less of all strokes than this is none, and not so many are bent. */
    private static final double LEAST_OWN = 0.08;

    private static final int MOST_BENT = 2;

    private final Raster picture;
    private final CheckLayout layout;

    SheetFinder(Raster picture, CheckLayout layout) {
        this.picture = picture;
        this.layout = layout;
    }

    record Placed(How how, PatternFit.Fit fit) {}

    /** @param corners of the sheet in the picture, clockwise from its own top left */
    Placed byHand(Plane corners) throws SheetNotFound {
        int factor = factor();
        InkBlobs ink = new InkBlobs(picture.reduced(factor), layout);
        Warp warp = Warp.flat(corners, layout.widthMm(), layout.heightMm());
        PatternFit.Fit fit = PatternFit.tight(picture, layout, warp, HAND_WINDOW_MM, PATCH_PER_MM);
        return judged(new Placed(How.BY_HAND, fit), ink, factor);
    }

    private int factor() {
        return Math.max(1, (int) Math.round(Math.max(picture.width(), picture.height()) / (double) FINDING_SIDE));
    }

    /** A sheet may be a small part of its picture, so that a closer look is taken when there seems to be nothing on it. */
    Placed find() throws SheetNotFound {
        int factor = factor();
        while (true) {
            Raster small = picture.reduced(factor);
            InkBlobs ink = new InkBlobs(small, layout);
            try {
                return find(small, ink, factor);
            } catch (SheetNotFound e) {
                boolean nothing = e.why() == Why.NOTHING_PRINTED && factor > 1;
                if (!nothing) {
                    throw e;
                }
                factor = Math.max(1, factor / 2);
            }
        }
    }

    private Placed find(Raster small, InkBlobs ink, int factor) throws SheetNotFound {
        GrayU8 grey = grey(small);
        Optional<Plane> marked = MarkFinder.find(grey, layout);
        if (marked.isPresent()) {
            Warp warp = flat(marked.get().scaledPicture(factor));
            return judged(
                    new Placed(How.MARKS, PatternFit.tight(picture, layout, warp, FEED_WINDOW_MM, PATCH_PER_MM)),
                    ink,
                    factor);
        }
        if (ink.strokes.size() < PatternFinder.LEAST_STROKES) {
            throw new SheetNotFound(Why.NOTHING_PRINTED, ink.strokes.size() + " dashes");
        }
        List<Guess> guesses = new ArrayList<>();
        PaperFinder.corners(grey)
                .ifPresent(
                        c -> PaperFinder.planes(c, layout).forEach(p -> guess(small, ink, p, How.PAPER_EDGE, guesses)));
        boolean edgeIsEnough = guesses.stream().anyMatch(g -> g.worth > ENOUGH * ink.strokes.size());
        List<Plane> byPattern = edgeIsEnough ? List.of() : new PatternFinder(small, layout, ink).planes();
        for (Plane plane : byPattern) {
            guess(small, ink, plane, How.PATTERN, guesses);
            if (guesses.get(guesses.size() - 1).worth > ENOUGH * ink.strokes.size()) {
                break;
            }
        }
        guesses.sort(Comparator.comparingDouble(Guess::worth).reversed());
        List<Try> tries = new ArrayList<>();
        for (Guess guess : guesses) {
            boolean enough = !tries.isEmpty() && settled(tries.get(0).placed.fit);
            if (enough || guess.worth < WORTH_A_LOOK * guesses.get(0).worth) {
                break;
            }
            Placed placed = tryOut(guess, factor, guess.worth > ENOUGH * ink.strokes.size(), tries.size() < MOST_BENT);
            tries.add(new Try(placed, explained(placed, ink, factor)));
            tries.sort(Comparator.comparingInt(Try::own).reversed());
        }
        if (tries.isEmpty() || tries.get(0).own < LEAST_OWN * ink.strokes.size()) {
            throw new SheetNotFound(Why.NO_FIT, "no dashes where this layout has them");
        }
        Placed best = tries.get(0).placed;
        if (!settled(best.fit)) {
            for (Try other : tries.subList(0, Math.min(MOST_BENT, tries.size()))) {
                PatternFit.Fit bent = PatternFit.bend(picture, layout, other.placed.fit.warp(), LOOSE_PER_MM);
                best = better(best, new Placed(other.placed.how, bent));
            }
        }
        Warp there = best.fit.warp().scaledPicture(1.0 / factor);
        Warp likelier = new Rivals(ink, layout, small).likeliest(there);
        Warp stepped = ink.bestAlongStairs(likelier, layout);
        Warp end = stepped == null ? likelier : stepped;
        boolean done = end == there && settled(best.fit);
        boolean fine = best.fit.patches().get(0).perMm == PATCH_PER_MM;
        PatternFit.Fit fit = done && fine
                ? best.fit
                : done
                        ? PatternFit.finish(picture, layout, best.fit.warp(), PATCH_PER_MM)
                        : PatternFit.tight(picture, layout, end.scaledPicture(factor), FEED_WINDOW_MM, PATCH_PER_MM);
        return judged(new Placed(best.how, fit), ink, factor);
    }

    /** @param own strokes of their own ink that it explains */
    private record Try(Placed placed, int own) {}

    private int explained(Placed placed, InkBlobs ink, int factor) {
        return ink.explained(placed.fit.warp().scaledPicture(1.0 / factor), layout)
                .own();
    }

    private Warp flat(Plane plane) {
        return Warp.flat(plane, layout.widthMm(), layout.heightMm());
    }

    /** @param worth strokes of their own ink that the guess explains, and a little for the ink on its dashes */
    private record Guess(Warp warp, How how, double worth) {}

    private void guess(Raster small, InkBlobs ink, Plane plane, How how, List<Guess> guesses) {
        PatternFit.Promise promise = PatternFit.promise(small, layout, flat(plane), PATTERN_WINDOW_MM);
        double worth = ink.explained(promise.warp(), layout).own() + 0.2 * promise.ink();
        // A sheet that lies in the picture is likelier than one that lies half outside.
        boolean inside = layout.blocks().stream().allMatch(b -> Placement.inPicture(promise.warp(), b, small));
        guesses.add(new Guess(promise.warp(), how, inside ? worth : worth / 2));
    }

    private Placed judged(Placed found, InkBlobs ink, int factor) throws SheetNotFound {
        PatternFit.Fit fit = found.fit;
        boolean isBent = !fit.warp().isFlat();
        if (!isBent && (fit.residualMm() > FLAT_MM || fit.cover() < GOOD_COVER)) {
            PatternFit.Fit bent = PatternFit.bend(picture, layout, fit.warp(), PATCH_PER_MM);
            fit = score(bent) > score(fit) + WORTH_BENDING ? bent : fit;
        }
        new Placement(picture, layout, ink, factor).check(found.how, fit);
        return new Placed(found.how, fit);
    }

    /**
     * @param near whether the guess explains so much that it is nearly right
     * @param isLikely whether it is one of the best guesses, and followed further
     */
    private Placed tryOut(Guess guess, int factor, boolean near, boolean isLikely) {
        Warp warp = guess.warp.scaledPicture(factor);
        if (near) {
            PatternFit.Fit tight = PatternFit.tight(picture, layout, warp, FEED_WINDOW_MM, PATCH_PER_MM);
            if (settled(tight) && tight.residualMm() < FLAT_MM) {
                return new Placed(guess.how, tight);
            }
        }
        PatternFit.Fit fit = PatternFit.loose(picture, layout, warp, PROMISED_WINDOW_MM, LOOSE_PER_MM);
        // A guess may be further off than the window: walk on from where the fit came to.
        for (int walk = 0; isLikely && walk < 2 && fit.cover() > 0.25 && !settled(fit); walk++) {
            PatternFit.Fit next = PatternFit.loose(picture, layout, fit.warp(), PATTERN_WINDOW_MM, LOOSE_PER_MM);
            if (score(next) <= score(fit)) {
                break;
            }
            fit = next;
        }
        return new Placed(guess.how, fit);
    }

    private static Placed better(Placed a, Placed b) {
        return a == null || score(b.fit) > score(a.fit) ? b : a;
    }

    private static boolean settled(PatternFit.Fit fit) {
        return fit.cover() >= GOOD_COVER
                && fit.lead() >= Placement.LEAST_LEAD
                && fit.residualMm() <= Placement.MOST_RESIDUAL_MM;
    }

    private static double score(PatternFit.Fit fit) {
        return fit.cover() - (fit.lead() < Placement.LEAST_LEAD ? 0.3 : 0) - Math.min(0.3, fit.residualMm());
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
}
