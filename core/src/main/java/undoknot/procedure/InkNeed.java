package undoknot.procedure;

import undoknot.flow.SupplyLine;

/**
 * What an ink change is worked out from (handbook 15).
 *
 * @param channelMl ink that stands in one channel, its line included, mL
 * @param residue share of the old ink that may stay, above 0 and below 1
 * @param reserve share to spare, 0 to 1
 */
public record InkNeed(double channelMl, double residue, double reserve) {

    /** @throws IllegalArgumentException naming the entry that is out of its range */
    public InkNeed {
        SystemNeed.range("channelMl", channelMl, 0.1, 500);
        SystemNeed.range("residue", residue, 0.0001, 0.5);
        SystemNeed.range("reserve", reserve, 0, 1);
    }

    /** Volumes of a channel to the residue, worst case well mixed: n = ln(1 / residue). */
    public double rinses() {
        return SupplyLine.rinses(residue);
    }

    /** Fluid for one channel, mL. */
    public double needMl() {
        return channelMl * rinses();
    }

    /** The most that goes through one channel before a lead is asked: the need with its reserve, mL. */
    public double mostMl() {
        return needMl() * (1 + reserve);
    }

    /** For so many channels, reserve included, mL. */
    public double totalMl(int channels) {
        return channels * mostMl();
    }
}
