package undoknot.server.report;

import java.time.Instant;
import java.time.format.DateTimeFormatter;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import org.springframework.stereotype.Component;
import undoknot.server.shop.Shops;
import undoknot.server.words.Words;
import undoknot.treatment.Site;
import undoknot.visit.HeadNow;

/** What paper and the page behind the tag say about power; in the words of the screens. */
@Component
public class PowerWords {

    private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern("EEE d MMM, HH:mm", Locale.ENGLISH);

    private final Words words;
    private final Shops shops;

    PowerWords(Words words, Shops shops) {
        this.words = words;
        this.shops = shops;
    }

    /**
     * @param isAllowed whether the head may have power
     * @param headline one line, large
     * @param reasons each reason why not, in a line
     */
    public record Power(boolean isAllowed, String headline, List<String> reasons) {}

    public Power of(HeadNow head) {
        if (head.mayHavePower()) {
            return head.site() == Site.ON_BENCH
                    ? new Power(true, "Dry. Refit before power.", List.of())
                    : new Power(true, "Power is allowed.", List.of());
        }
        // Hands end what has no time; a time alone is said only when nothing but time is waited for.
        boolean byHands = head.keptFrom().stream().anyMatch(kept -> kept.until() == null);
        Instant until = head.waitsUntil().orElse(null);
        String headline = byHands
                ? "No power: " + words.of("noPower", head.keptFrom().get(0).reason()) + "."
                : "No power until " + TIME.format(until.atZone(shops.now().zoneId())) + ".";
        List<String> reasons = head.keptFrom().stream()
                .sorted(Comparator.comparing(HeadNow.Kept::reason))
                .map(kept -> words.of("noPower", kept.reason())
                        + (kept.until() == null
                                ? ""
                                : ", until "
                                        + TIME.format(
                                                kept.until().atZone(shops.now().zoneId()))))
                .toList();
        return new Power(false, headline, reasons);
    }
}
