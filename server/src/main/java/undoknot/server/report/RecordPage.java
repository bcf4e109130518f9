package undoknot.server.report;

import java.util.List;
import org.springframework.lang.Nullable;

/**
 * Page two of a report besides the attempts: the record.
 *
 * @param toldCycles printer cycles told at take-in; absent where nobody said
 * @param findings what looks found, in order, with who and when
 * @param partsReplaced new parts, a line each
 * @param offParts what came off and how it came back, a line each
 * @param alignment passes of the alignment, a line each
 * @param waste what was sent to waste, a line a container
 * @param minutes of hands
 * @param departures where something else was done than what was advised, a line each
 * @param against checks and looks that were taken against a limit
 * @param reopened that a return was taken back, and why; absent when none was
 */
public record RecordPage(
        @Nullable Integer toldCycles,
        List<PlainPage.Dated> findings,
        List<String> partsReplaced,
        List<String> offParts,
        List<String> alignment,
        List<String> waste,
        int minutes,
        List<String> departures,
        List<String> against,
        @Nullable String reopened) {}
