package undoknot.server.view;

import java.util.List;
import org.springframework.lang.Nullable;
import undoknot.sitting.Part;
import undoknot.sitting.PartCount;
import undoknot.sitting.PartWork;

/**
 * How often a part was worked on, on all visits of this head.
 *
 * @param channel whose part it is; absent for parts of the machine or the whole head
 * @param toReplace whether it was cleaned or refilled as often as it may be
 */
public record PartCountView(Part part, @Nullable String channel, int cleaned, int replaced, boolean toReplace) {
    public static List<PartCountView> of(List<PartWork> works) {
        return PartCount.of(works).stream()
                .map(c -> new PartCountView(c.part(), c.channel(), c.cleaned(), c.replaced(), c.isToReplace()))
                .toList();
    }
}
