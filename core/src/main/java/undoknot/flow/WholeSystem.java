package undoknot.flow;

/**
 * Cleaner for a whole-system flush (handbook 15): every reservoir, the lines rinsed through, and what the cycles draw.
 *
 * @param reservoirs how many
 * @param reservoirMl in each, mL
 * @param fills how often each is filled
 * @param lineMl all lines together, mL
 * @param rinses line volumes that run through
 * @param cycles how many
 * @param drawMl that one cycle draws, mL
 * @param reserve share to spare
 */
public record WholeSystem(
        double reservoirs,
        double reservoirMl,
        double fills,
        double lineMl,
        double rinses,
        double cycles,
        double drawMl,
        double reserve) {

    public double needMl() {
        return (reservoirs * reservoirMl * fills + lineMl * rinses + cycles * drawMl) * (1 + reserve);
    }

    /** Waste bottles that take it all. */
    public double bottles(double bottleMl) {
        return Math.ceil(needMl() / bottleMl);
    }
}
