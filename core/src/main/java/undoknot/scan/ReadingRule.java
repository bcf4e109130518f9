package undoknot.scan;

/**
 * The numbers by which a dash is judged. Densities are shares of the channel's usual dash, offsets are steps.
 *
 * @param missingBelow less ink than this is no dash
 * @param weakBelow less ink than this is a weak one
 * @param deflectedFrom a dash further off its place is deflected
 * @param densitySpread how much the ink of sound dashes scatters
 * @param offsetSpread how much the place of sound dashes scatters
 * @param sure a state is only given when its chance is at least this
 * @param throughFrom ink beyond the dash's ends from which something runs through it
 * @param foreignFrom density of another ink from which the dash is left to a person
 * @param bareBelow less of any ink than this, against a usual dash, is bare paper
 * @param inkedFrom an eighth of a dash with more of any ink than this is inked
 * @param dustParts so many inked eighths may be dust on bare paper
 * @param ownColour cosine of the angle to the channel's ink from which a dash has its colour
 * @param ownColourLead by how much another ink may be nearer before the dash is put down to it
 * @param restMm what of the fit may be left at a place, mm
 */
record ReadingRule(
        double missingBelow,
        double weakBelow,
        double deflectedFrom,
        double densitySpread,
        double offsetSpread,
        double sure,
        double throughFrom,
        double foreignFrom,
        double bareBelow,
        double inkedFrom,
        int dustParts,
        double ownColour,
        double ownColourLead,
        double restMm) {

    static final ReadingRule DEFAULT =
            new ReadingRule(0.22, 0.7, 0.22, 0.045, 0.03, 0.93, 0.3, 0.35, 0.25, 0.35, 1, 0.9, 0.03, 0.2);
}
