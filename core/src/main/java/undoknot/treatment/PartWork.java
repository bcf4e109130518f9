package undoknot.treatment;

import java.util.Objects;

/**
 * Something done to one part.
 *
 * @param channel whose part it is; null for parts of the machine or the whole head
 */
public record PartWork(Part part, String channel, Part.Act act) {

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
