package undoknot.scan;

import undoknot.nozzle.NozzleState;

/**
 * What the reader saw of one nozzle.
 *
 * @param state unread unless the reader is sure
 * @param leaning the state it would take if it had to; the same as {@code state} when it is sure
 * @param confidence chance that {@code leaning} is right, 0.5 to 1
 * @param offsetSteps how far the dash stands off its place across its direction, in steps; 0 when there is no dash
 * @param density ink of the dash against the channel's usual dash; 0 when there is none
 * @param doubt why it is not sure, or null
 */
public record NozzleReading(
        NozzleState state, NozzleState leaning, double confidence, double offsetSteps, double density, Doubt doubt) {

    /** Why a nozzle is left for a person to settle. */
    public enum Doubt {
        /** Too faint for a dash, too dark for bare paper. */
        HARDLY_THERE,
        /** Between pale and full. */
        HARDLY_PALE,
        /** Between straight and deflected. */
        HARDLY_OFF,
        /** Something dark runs through the dash and on beyond its ends: a fold, a fibre, a smear. */
        RUNS_THROUGH,
        /** Only part of the dash is there, or part of it is covered. */
        IN_PIECES,
        /** Another ink lies here. */
        OTHER_INK,
        /** It may be the neighbour's dash, pushed over. */
        WHOSE_DASH,
        /** The place lies outside the picture. */
        OFF_PICTURE,
        /** The paper is stained or shaded here, so that bare paper is not known. */
        STAINED,
        /** Light washes the print out here. */
        GLARE,
        /** The sheet bends here by more than could be followed. */
        NOT_IN_PLACE,
        /** Scanned in grey, and too pale there to be told from bare paper. */
        GREY
    }
}
