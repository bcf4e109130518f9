package undoknot.sitting;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import undoknot.treatment.Method;
import undoknot.treatment.Treatment;

/**
 * Something done to one part.
 *
 * @param channel whose part it is; null for parts of the machine or the whole head
 */
public record PartWork(Part part, String channel, Part.Act act) {

    /**
     * What work did to parts: as it was noted, and a damper that was pulled through is one that was cleaned.
     */
    public static List<PartWork> of(Treatment treatment, Noted noted) {
        List<PartWork> works = new ArrayList<>(noted.parts());
        boolean pulled = Method.of(treatment) == Method.DAMPER;
        for (String channel : pulled ? treatment.channels() : Set.<String>of()) {
            if (noted.parts().stream().noneMatch(p -> p.part() == Part.DAMPER && channel.equals(p.channel()))) {
                works.add(new PartWork(Part.DAMPER, channel, Part.Act.CLEANED));
            }
        }
        return works;
    }

    /** @throws IllegalArgumentException when it cannot be done to that part, or names a channel where there is none */
    public PartWork {
        Objects.requireNonNull(part, "part");
        Objects.requireNonNull(act, "act");
        if (!part.acts().contains(act)) {
            throw new IllegalArgumentException(part + " cannot be " + act);
        }
        if (part.isPerChannel() != (channel != null)) {
            throw new IllegalArgumentException(part + " and channel " + channel + " do not go together");
        }
    }
}
