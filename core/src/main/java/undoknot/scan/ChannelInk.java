package undoknot.scan;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import undoknot.head.CheckLayout.Block;

/**
 * What ink the dashes of a block have: the layout's, as it looks on this sheet, or another channel's. Learned from the dashes
 * themselves, since no ink looks quite as its layout says.
 */
final class ChannelInk {

    /** Fewer dashes than this tell nothing about a channel. */
    private static final int FEW = 4;

    /** Inks nearer than this differ by strength only. */
    private static final double ALIKE = 0.97;

    /** A channel with so much more ink than the others, against its layout, prints with the stronger of two inks alike. */
    private static final double TOO_STRONG = 1.7;

    private static final double STRONGER = 1.4;
    /** Another ink has to be this near to be named. */
    private static final double NAMED = 0.9;
    /** Share of the channel from which "another colour printing here" is said of it. */
    private static final double A_CHANNEL = 0.25;

    private final InkModel nominal;
    private final List<InkModel> others;
    private final List<Block> otherBlocks;
    private final ReadingRule rule;
    private final boolean grey;
    private final float[] seen;
    /** Ink of any colour of its usual dash, and of bare paper and its scatter. */
    final double usualAny;

    final double bareAny;
    final double bareScatter;
    /** Dashes with the channel's own ink, and with any. */
    final int ownDashes;

    final int anyDashes;
    /** The channel whose ink it prints, empty when that is not known, null when it prints its own or next to nothing. */
    final String printsAs;

    /**
     * @param anyOfOthers ink of any colour of a usual dash on this sheet, from all its channels
     * @param blocks the other blocks of the layout
     */
    ChannelInk(DashReader reader, List<Block> blocks, double anyOfOthers, ReadingRule rule) {
        this.rule = rule;
        this.nominal = reader.patch.ink;
        this.grey = reader.patch.grey;
        this.otherBlocks = blocks;
        this.others = blocks.stream()
                .map(b -> InkModel.seenOn(
                        b.ink(), reader.patch.paperTone, reader.block.paper().tone(), grey))
                .toList();
        double[] gaps = Arrays.stream(reader.dashes())
                .filter(d -> !d.offPicture && !Double.isNaN(d.anyGap))
                .mapToDouble(d -> d.anyGap)
                .sorted()
                .toArray();
        bareAny = gaps.length == 0 ? 0 : gaps[gaps.length * 2 / 5];
        bareScatter = gaps.length == 0 ? 0 : Math.max(0.004, gaps[gaps.length * 2 / 5] - gaps[gaps.length / 12]);
        List<Dash> inked = Arrays.stream(reader.dashes())
                .filter(d -> !d.offPicture && d.anyInk() - bareAny > rule.inkedFrom() * anyOfOthers)
                .toList();
        anyDashes = inked.size();
        List<Dash> own = inked.stream().filter(this::isNearestToOwn).toList();
        ownDashes = own.size();
        seen = own.size() < FEW ? null : middle(own);
        double usual = usual(own.size() >= FEW ? own : inked);
        usualAny = usual == 0 ? anyOfOthers : usual;
        printsAs = anyDashes < Math.max(FEW, A_CHANNEL * reader.dashes().length)
                ? null
                : tooStrong(anyOfOthers) != null
                        ? tooStrong(anyOfOthers)
                        : ownDashes < inked.size() / 2 ? nearest(inked) : null;
    }

    /** Ink of any colour of a usual dash of one channel, or 0 when it has next to none. */
    static double usualAny(DashReader reader) {
        double[] any = Arrays.stream(reader.dashes())
                .filter(d -> !d.offPicture)
                .mapToDouble(Dash::anyInk)
                .filter(a -> a > 0.12)
                .sorted()
                .toArray();
        return any.length < FEW ? 0 : any[(int) (any.length * 0.8)];
    }

    private static double usual(List<Dash> dashes) {
        double[] any = dashes.stream().mapToDouble(Dash::anyInk).sorted().toArray();
        return any.length < FEW ? 0 : any[(int) (any.length * 0.8)];
    }

    /** Whether the channel prints its own ink beyond doubt. */
    boolean isOwn() {
        return printsAs == null && seen != null;
    }

    private boolean isNearestToOwn(Dash dash) {
        if (grey) {
            return true;
        }
        float[] colour = dash.colour(rule.inkedFrom() * dash.anyInk());
        double own = nominal.likeness(colour);
        return own >= rule.ownColour() - 0.06 && own >= nearestOther(colour) - rule.ownColourLead();
    }

    private double nearestOther(float[] colour) {
        double most = -1;
        for (InkModel other : others) {
            if (other.likeness(nominal) < ALIKE) {
                most = Math.max(most, other.likeness(colour));
            }
        }
        return most;
    }

    /** Whether a dash has the colour that the channel's dashes have on this sheet. */
    boolean hasOwnColour(Dash dash, double usual) {
        if (grey) {
            return true;
        }
        if (!isNearestToOwn(dash)) {
            return false;
        }
        double stronger = dash.anyInk() / usual;
        if (stronger > STRONGER && others.stream().anyMatch(this::isStrongerOfTheSame)) {
            return false;
        }
        float[] colour = dash.colour(rule.inkedFrom() * dash.anyInk());
        return seen == null || cosine(seen, colour) >= rule.ownColour();
    }

    /** Whether a dash's colour is as near to the channel's as those of its dashes are to one another. */
    boolean hasJustItsColour(Dash dash) {
        return grey || seen != null && cosine(seen, dash.colour(rule.inkedFrom() * dash.anyInk())) >= ALIKE;
    }

    private boolean isStrongerOfTheSame(InkModel other) {
        return other.likeness(nominal) >= ALIKE && other.strongest() > STRONGER * nominal.strongest();
    }

    private String tooStrong(double anyOfOthers) {
        if (grey || usualAny < TOO_STRONG * anyOfOthers) {
            return null;
        }
        for (int i = 0; i < others.size(); i++) {
            if (isStrongerOfTheSame(others.get(i))) {
                return otherBlocks.get(i).channel();
            }
        }
        return null;
    }

    private String nearest(List<Dash> inked) {
        float[] colour = middle(inked);
        String best = "";
        double most = NAMED;
        for (int i = 0; i < others.size(); i++) {
            double alike = others.get(i).likeness(colour);
            if (alike > most) {
                most = alike;
                best = otherBlocks.get(i).channel();
            }
        }
        return best;
    }

    /** The usual change of light of some dashes, of length 1: median by colour. */
    private float[] middle(List<Dash> dashes) {
        List<float[]> unit = new ArrayList<>();
        for (Dash dash : dashes) {
            float[] colour = dash.colour(rule.inkedFrom() * dash.anyInk());
            double length = Math.sqrt(colour[0] * colour[0] + colour[1] * colour[1] + colour[2] * colour[2]);
            if (length > 1e-4) {
                unit.add(new float[] {
                    (float) (colour[0] / length), (float) (colour[1] / length), (float) (colour[2] / length)
                });
            }
        }
        float[] middle = new float[3];
        for (int k = 0; k < 3; k++) {
            int colour = k;
            double[] sorted = unit.stream().mapToDouble(u -> u[colour]).sorted().toArray();
            middle[k] = sorted.length == 0 ? 0 : (float) sorted[sorted.length / 2];
        }
        return middle;
    }

    private static double cosine(float[] a, float[] b) {
        double dot = 0;
        double aa = 0;
        double bb = 0;
        for (int k = 0; k < 3; k++) {
            dot += a[k] * b[k];
            aa += a[k] * a[k];
            bb += b[k] * b[k];
        }
        return aa * bb < 1e-9 ? 0 : dot / Math.sqrt(aa * bb);
    }
}
