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
 */
record ReadingRule(
        double missingBelow,
        double weakBelow,
        double deflectedFrom,
        double densitySpread,
        double offsetSpread,
        double sure,
        double throughFrom,
        double foreignFrom) {

    static final ReadingRule DEFAULT = new ReadingRule(0.22, 0.7, 0.22, 0.045, 0.03, 0.93, 0.3, 0.35);
}
