package undoknot.procedure;

import undoknot.flow.SupplyLine;

/**
 * What a whole-system flush is worked out from (handbook 15).
 *
 * @param settlingMl reservoir of the settling ink, mL; 0 where the machine has none
 * @param fills how often that is filled with cleaner
 * @param bottles colours in bottles of their own
 * @param bottleMl cleaner in each of them, mL
 * @param strongCycles strong cycles, 3 to 10
 * @param strongMl that one draws, mL
 * @param normalMl that a normal cycle of the test draws, mL
 * @param wipingMl for stirrer, dip tubes and lids, mL
 * @param lineMl all lines together, mL; 0 where the cycles rinse them
 * @param residue share of ink that may stay in the lines, above 0 and below 1
 * @param reserve share to spare, 0 to 1
 * @param wasteMl what a waste bottle holds, mL
 */
public record SystemNeed(
        double settlingMl,
        int fills,
        int bottles,
        double bottleMl,
        int strongCycles,
        double strongMl,
        double normalMl,
        double wipingMl,
        double lineMl,
        double residue,
        double reserve,
        double wasteMl) {

    static final int TEST_CYCLES = 2;
    static final int LEAST_STRONG = 3;
    static final int MOST_STRONG = 10;

    /** @throws IllegalArgumentException naming the entry that is out of its range */
    public SystemNeed {
        range("settlingMl", settlingMl, 0, 20_000);
        range("fills", fills, 0, 5);
        range("bottles", bottles, 0, 24);
        range("bottleMl", bottleMl, 0, 5_000);
        range("strongCycles", strongCycles, LEAST_STRONG, MOST_STRONG);
        range("strongMl", strongMl, 0, 1_000);
        range("normalMl", normalMl, 0, 1_000);
        range("wipingMl", wipingMl, 0, 1_000);
        range("lineMl", lineMl, 0, 5_000);
        range("residue", residue, 0.0001, 0.5);
        range("reserve", reserve, 0, 1);
        range("wasteMl", wasteMl, 50, 20_000);
    }

    static void range(String name, double value, double least, double most) {
        if (!(value >= least && value <= most)) {
            throw new OutOfRange(name, least, most);
        }
    }

    /** An entry that is out of its range. */
    public static final class OutOfRange extends IllegalArgumentException {
        private final String entry;

        OutOfRange(String entry, double least, double most) {
            super("Enter " + plain(least) + " to " + plain(most) + ".");
            this.entry = entry;
        }

        private static String plain(double value) {
            return value == Math.rint(value) ? String.valueOf((long) value) : String.valueOf(value);
        }

        public String entry() {
            return entry;
        }
    }

    public boolean settles() {
        return settlingMl > 0;
    }

    /** Line volumes to the residue, worst case well mixed: n = ln(1 / residue). */
    public double rinses() {
        return lineMl == 0 ? 0 : SupplyLine.rinses(residue);
    }

    /** All cleaner, reserve included, mL. */
    public double needMl() {
        double reservoirs = settlingMl * fills + bottles * bottleMl;
        double cycles = strongCycles * strongMl + TEST_CYCLES * normalMl;
        return (reservoirs + cycles + lineMl * rinses() + wipingMl) * (1 + reserve);
    }

    public int wasteBottles() {
        return (int) Math.ceil(needMl() / wasteMl);
    }
}
