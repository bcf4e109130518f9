package undoknot.server.report;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import org.springframework.lang.Nullable;
import undoknot.finish.Bill;

/**
 * Page one of a report, for somebody who repairs no heads.
 *
 * @param wrong what was wrong, a line a cause
 * @param done what was done, a line a kind of work
 * @param stands how it stands now
 * @param care how to keep it alive
 * @param bill what it cost
 * @param priceNote a word with the price; absent for none
 * @param limitNote how the price stands to what the customer said to pay; absent where nobody said
 * @param unpriced what is in no sum because nobody has said its price
 */
public record PlainPage(
        List<WrongLine> wrong,
        List<String> done,
        List<String> stands,
        List<CareLine> care,
        Bill bill,
        @Nullable String priceNote,
        @Nullable String limitNote,
        List<String> unpriced) {

    /**
     * @param what the cause, and where
     * @param how sure it is, and by what; absent where nothing was observed
     */
    public record WrongLine(String what, @Nullable String how) {}

    /** @param first day on which it is due first; absent for what has no rhythm */
    public record CareLine(String text, @Nullable LocalDate first) {}

    /** @param at when it was noted, put back or printed */
    public record Dated(Instant at, String text, String by) {}
}
