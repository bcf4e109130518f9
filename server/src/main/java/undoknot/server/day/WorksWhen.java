package undoknot.server.day;

import java.time.LocalDate;
import java.util.Set;
import java.util.UUID;
import undoknot.plan.Promise;

/**
 * When somebody is at the bench.
 *
 * @param works whether work is planned for this person at all
 * @param hours those of the shop where nobody said other ones
 * @param own whether somebody did
 * @param off days away
 */
record WorksWhen(UUID id, String name, boolean works, Promise.Hours hours, boolean own, Set<LocalDate> off) {
    WorksWhen {
        off = Set.copyOf(off);
    }
}
