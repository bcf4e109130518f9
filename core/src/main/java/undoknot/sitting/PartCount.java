package undoknot.sitting;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * How often one part has been worked on.
 *
 * @param channel whose part it is; null for parts of the machine or the whole head
 * @param cleaned how often the one that is in now was cleaned or refilled
 * @param replaced how often it was replaced
 */
public record PartCount(Part part, String channel, int cleaned, int replaced) {

    /** Whether it was cleaned or refilled as often as it may be: the next time it is replaced. */
    public boolean isToReplace() {
        return part.limit() != null && cleaned >= part.limit();
    }

    /** @param works in the order of time */
    public static List<PartCount> of(List<PartWork> works) {
        record Which(Part part, String channel) {}
        Map<Which, PartCount> counts = new LinkedHashMap<>();
        for (PartWork work : works) {
            PartCount one = new PartCount(work.part(), work.channel(), 0, 0).after(work.act());
            counts.merge(new Which(work.part(), work.channel()), one, (before, first) -> before.after(work.act()));
        }
        return List.copyOf(counts.values());
    }

    private PartCount after(Part.Act act) {
        return switch (act) {
            case CLEANED, REFILLED -> new PartCount(part, channel, cleaned + 1, replaced);
            case REPLACED -> new PartCount(part, channel, 0, replaced + 1);
            case VENTED, RESEATED -> this;
        };
    }
}
