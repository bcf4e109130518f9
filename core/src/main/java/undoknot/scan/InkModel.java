package undoknot.scan;

import undoknot.head.CheckLayout.Block;

/**
 * How the ink of a block shows on its paper: for red, green and blue the share by which the paper's light changes where
 * ink lies (positive when darker, negative when lighter than the paper).
 */
final class InkModel {

    /** Weights of red, green and blue in brightness (ITU-R BT.601), which is what JPEG keeps at full sharpness. */
    private static final float[] BRIGHTNESS = {0.299f, 0.587f, 0.114f};

    /** An ink that changes brightness by less than this is weighed by its colour as well. */
    private static final float PLAIN_CONTRAST = 0.24f;

    private final float[] shift = new float[3];
    private final float[] weight = new float[3];
    private final float square;

    InkModel(Block block) {
        this(block.ink(), rgb(block.paper().tone()), 1);
    }

    /** How bright the light on a paper is, by its brightest colour: a tint leaves that one alone, a shadow does not. */
    static float light(float[] seen, String usualTone) {
        float[] usual = rgb(usualTone);
        float ratio = Math.max(seen[0], Math.max(seen[1], seen[2])) / Math.max(usual[0], Math.max(usual[1], usual[2]));
        return Math.max(0.3f, Math.min(1.1f, ratio));
    }

    /**
     * @param ink colour of the ink, #rrggbb
     * @param paper colour of the paper as the picture has it, 0..255
     * @param light how bright the light on the sheet is, 1 when the paper looks as white as it is
     */
    InkModel(String ink, float[] paper, float light) {
        this(new float[] {component(ink, 0) * light, component(ink, 1) * light, component(ink, 2) * light}, paper);
    }

    /**
     * How an ink looks on a paper under the light of the picture. Ink darker than its paper is a filter: tint and colour of
     * the light change both alike. Ink that covers a darker paper takes the light alone.
     *
     * @param paper colour of the paper as the picture has it, 0..255
     * @param usual colour the paper has in good light, 0..255
     * @param grey whether the picture has no colour
     */
    static InkModel seenOn(String ink, float[] paper, String usual, boolean grey) {
        float[] is = rgb(ink);
        float[] was = rgb(usual);
        float light = light(paper, usual);
        float[] seen = new float[3];
        for (int k = 0; k < 3; k++) {
            seen[k] = is[k] <= was[k] ? is[k] * paper[k] / was[k] : is[k] * light;
        }
        if (grey) {
            float flat = seen[0] * BRIGHTNESS[0] + seen[1] * BRIGHTNESS[1] + seen[2] * BRIGHTNESS[2];
            seen = new float[] {flat, flat, flat};
        }
        return new InkModel(seen, paper);
    }

    private InkModel(float[] ink, float[] paper) {
        float sum = 0;
        float contrast = 0;
        for (int k = 0; k < 3; k++) {
            float p = Math.max(8, Math.min(247, paper[k]));
            float i = Math.min(255, ink[k]);
            shift[k] = (p - i) / (i <= p ? p : 255 - p);
            sum += shift[k] * shift[k];
            contrast += shift[k] * BRIGHTNESS[k];
        }
        square = Math.max(sum, 1e-3f);
        float plain = Math.abs(contrast) >= PLAIN_CONTRAST ? 1 : Math.abs(contrast) > 0.1 ? 0.5f : 0;
        for (int k = 0; k < 3; k++) {
            weight[k] = (1 - plain) * shift[k] / square + (plain == 0 ? 0 : plain * BRIGHTNESS[k] / contrast);
        }
    }

    static float[] rgb(String colour) {
        return new float[] {component(colour, 0), component(colour, 1), component(colour, 2)};
    }

    private static float component(String colour, int k) {
        return Integer.parseInt(colour.substring(1 + 2 * k, 3 + 2 * k), 16);
    }

    /** The most that the ink changes any one colour. */
    float strongest() {
        return Math.max(Math.abs(shift[0]), Math.max(Math.abs(shift[1]), Math.abs(shift[2])));
    }

    /** The most that a measured change has of any colour, in this ink's sense: ink of whatever kind. */
    float strongest(float[] change) {
        float most = 0;
        for (int k = 0; k < 3; k++) {
            most = Math.max(most, shift[k] >= 0 ? change[k] : -change[k]);
        }
        return most;
    }

    boolean darker() {
        return shift[0] + shift[1] + shift[2] > 0;
    }

    /** Change of light of colour k against the paper, in the sense of {@link #shift}. */
    float change(float value, float paper, int k) {
        return shift[k] >= 0 ? (paper - value) / Math.max(20, paper) : (paper - value) / Math.max(20, 255 - paper);
    }

    /** Ink density: 0 on bare paper, 1 where the ink lies as thick as in the layout. */
    float density(float r, float g, float b, float paperR, float paperG, float paperB) {
        return change(r, paperR, 0) * weight[0] + change(g, paperG, 1) * weight[1] + change(b, paperB, 2) * weight[2];
    }

    float dot(InkModel o) {
        return shift[0] * o.shift[0] + shift[1] * o.shift[1] + shift[2] * o.shift[2];
    }

    /** Cosine between the two inks' changes; 1 when they differ by strength only. */
    double likeness(InkModel o) {
        return dot(o) / Math.sqrt(square * o.square);
    }

    /** Cosine between this ink's change and a measured one. */
    double likeness(float[] change) {
        float dot = 0;
        float length = 0;
        for (int k = 0; k < 3; k++) {
            dot += change[k] * shift[k];
            length += change[k] * change[k];
        }
        return length < 1e-9 ? 0 : dot / Math.sqrt(length * square);
    }

    /** Density of this ink when a measured change is put down to it alone. */
    double alone(float[] change) {
        return (change[0] * shift[0] + change[1] * shift[1] + change[2] * shift[2]) / square;
    }

    /**
     * Splits a measured change into this ink and another, both not negative.
     *
     * @return density of this ink, density of the other, and the squared rest
     */
    float[] split(float[] change, InkModel other) {
        float own = 0;
        float foreign = 0;
        for (int k = 0; k < 3; k++) {
            own += change[k] * shift[k];
            foreign += change[k] * other.shift[k];
        }
        float cross = dot(other);
        float det = square * other.square - cross * cross;
        float a = (own * other.square - foreign * cross) / det;
        float b = (foreign * square - own * cross) / det;
        if (b < 0) {
            a = Math.max(0, own / square);
            b = 0;
        } else if (a < 0) {
            a = 0;
            b = Math.max(0, foreign / other.square);
        }
        float rest = 0;
        for (int k = 0; k < 3; k++) {
            float d = change[k] - a * shift[k] - b * other.shift[k];
            rest += d * d;
        }
        return new float[] {a, b, rest};
    }
}
