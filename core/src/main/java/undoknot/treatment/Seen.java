package undoknot.treatment;

import undoknot.treatment.Treatment.Effluent;
import undoknot.treatment.Treatment.Resistance;
import undoknot.treatment.Treatment.Stream;

/**
 * What was seen of one stroke. Everything may be null: nobody looked, or it is not asked of this method.
 *
 * @param resistance how the fluid went in, or how it could be drawn
 * @param effluent beside a drop of the fresh fluid; of a draw-back, the colour in the syringe
 * @param stream how it left the face
 * @param freshPad whether the pad under the head was new: an old one hides colour
 * @param padFifths how many fifths of the row wet the pad, 0 to 5
 * @param bubbles whether bubbles came with it
 * @param sediment whether sediment came with it
 * @param air whether air went through freely
 */
public record Seen(
        Resistance resistance,
        Effluent effluent,
        Stream stream,
        Boolean freshPad,
        Integer padFifths,
        Boolean bubbles,
        Boolean sediment,
        Boolean air) {

    /** Fifths of a row that a pad print is read in. */
    public static final int WHOLE_ROW = 5;

    public static final Seen NOTHING = new Seen(null, null, null, null, null, null, null, null);

    /** What can be looked at while fluid goes through. */
    public enum Mark {
        RESISTANCE,
        EFFLUENT,
        STREAM,
        FRESH_PAD,
        PAD_PRINT,
        BUBBLES,
        SEDIMENT,
        AIR
    }

    /** @throws IllegalArgumentException when the fifths are none of 0 to 5 */
    public Seen {
        if (padFifths != null && (padFifths < 0 || padFifths > WHOLE_ROW)) {
            throw new IllegalArgumentException("padFifths must be 0 to 5, was " + padFifths);
        }
    }

    public static Seen of(Resistance resistance, Effluent effluent, Stream stream) {
        return new Seen(resistance, effluent, stream, null, null, null, null, null);
    }

    public boolean isEmpty() {
        return equals(NOTHING);
    }

    /** These, with what is null in them taken from an earlier look. */
    public Seen orElse(Seen earlier) {
        return new Seen(
                or(resistance, earlier.resistance),
                or(effluent, earlier.effluent),
                or(stream, earlier.stream),
                or(freshPad, earlier.freshPad),
                or(padFifths, earlier.padFifths),
                or(bubbles, earlier.bubbles),
                or(sediment, earlier.sediment),
                or(air, earlier.air));
    }

    private static <T> T or(T now, T earlier) {
        return now == null ? earlier : now;
    }
}
