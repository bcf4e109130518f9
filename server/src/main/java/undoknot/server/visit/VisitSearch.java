package undoknot.server.visit;

import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
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
     * looked through one by one, each in its own index: joined over every visit of many years, it would take a second. Tags
     * and serials are looked up by their beginning and their end, and by their middle when that finds nothing.
     *
     * @param words not empty
     */
    public List<UUID> of(String words) {
        String begins = escaped(words) + "%";
        String ends = escaped(new StringBuilder(words).reverse().toString()) + "%";
        String has = "%" + begins;
        Set<UUID> found = new LinkedHashSet<>(visits.searchOpen(has, Limit.of(MOST)));
        if (found.size() < MOST) {
            Set<UUID> ids = new HashSet<>(visits.idsByTag(begins, LOOKED_AT));
            ids.addAll(visits.idsByTagBackwards(ends, LOOKED_AT));
            Set<UUID> heads = new HashSet<>(visits.headsBySerial(begins, LOOKED_AT));
            heads.addAll(visits.headsBySerialBackwards(ends, LOOKED_AT));
            List<UUID> customers = visits.customersByName(has, LOOKED_AT);
            if (found.isEmpty() && ids.isEmpty() && heads.isEmpty() && customers.isEmpty()) {
                ids.addAll(visits.idsByTag(has, LOOKED_AT));
                heads.addAll(visits.headsBySerial(has, LOOKED_AT));
            }
            found.addAll(visits.returnedOf(ids, heads, customers, Limit.of(MOST - found.size())));
        }
        return List.copyOf(found);
    }

    private static String escaped(String words) {
        return words.replaceAll("([%_\\\\])", "\\\\$1");
    }
}
