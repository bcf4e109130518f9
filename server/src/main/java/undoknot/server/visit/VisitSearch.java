package undoknot.server.visit;

import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Component;

/** Finds heads by tag, serial or customer. */
@Component
public class VisitSearch {

    private static final int MOST = 40;

    /** Words that fit more heads than this want to be made longer. */
    private static final Limit LOOKED_AT = Limit.of(400);

    private final Visits visits;

    VisitSearch(Visits visits) {
        this.visits = visits;
    }

    /**
     * Visits whose tag, serial or customer has the words, open ones first, then the newest. Tags, serials and customers are
     * looked through one by one, each in its own index: joined over every visit of many years, it would take a second.
     *
     * @param words not empty
     */
    public List<Visit> of(String words) {
        String like = "%" + words.replaceAll("([%_\\\\])", "\\\\$1") + "%";
        List<Visit> found = new ArrayList<>(visits.searchOpen(like, Limit.of(MOST)));
        if (found.size() < MOST) {
            List<UUID> ids = visits.idsByTag(like, LOOKED_AT);
            List<UUID> heads = visits.headsBySerial(like, LOOKED_AT);
            List<UUID> customers = visits.customersByName(like, LOOKED_AT);
            found.addAll(visits.returnedOf(ids, heads, customers, Limit.of(MOST - found.size())));
        }
        return found;
    }
}
