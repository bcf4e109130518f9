package undoknot.server.day;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import undoknot.bench.Place;
import undoknot.plan.Promise;
import undoknot.server.account.AppUser;
import undoknot.server.account.AppUsers;
import undoknot.server.account.Role;
import undoknot.server.shop.Shops;
import undoknot.server.write.StoredJson;

/** What the bench has to work with: its people with their hours, its baths, trays and places for printers. */
@Component
class DaySetup {

    private final AppUsers users;
    private final PersonHoursRows hours;
    private final BenchPlacesRows places;
    private final Shops shops;
    private final StoredJson stored;

    DaySetup(AppUsers users, PersonHoursRows hours, BenchPlacesRows places, Shops shops, StoredJson stored) {
        this.users = users;
        this.hours = hours;
        this.places = places;
        this.shops = shops;
        this.stored = stored;
    }

    Map<Place, Integer> have() {
        return places.findById(BenchPlaces.ONLY).map(BenchPlaces::have).orElse(BenchPlaces.USUAL);
    }

    Promise.Hours shopHours() {
        return shops.now().hours();
    }

    /** Whether nobody has said yet when the shop is open. */
    boolean isUnsaid() {
        return shops.now().opens == null;
    }

    /** Everybody who may write, in the order of their names; who is locked out is away. */
    List<WorksWhen> people() {
        Promise.Hours usual = shopHours();
        Map<UUID, PersonHours> said =
                hours.findAll().stream().collect(Collectors.toMap(row -> row.id, Function.identity()));
        List<AppUser> all = users.findAll().stream()
                .filter(user -> !user.locked && user.role != Role.OBSERVER)
                .sorted(Comparator.comparing(user -> user.displayName))
                .toList();
        // In the smallest of shops the lead does the work.
        boolean leadsWork = all.stream().noneMatch(user -> user.role == Role.TECHNICIAN);
        return all.stream()
                .map(user -> of(user, said.get(user.id), usual, leadsWork))
                .toList();
    }

    private WorksWhen of(AppUser user, PersonHours said, Promise.Hours usual, boolean leadsWork) {
        if (said == null) {
            boolean works = user.role == Role.TECHNICIAN || leadsWork;
            return new WorksWhen(user.id, user.displayName, works, usual, false, Set.of());
        }
        Promise.Hours own = said.opens == null
                ? usual
                : new Promise.Hours(
                        usual.zone(), LocalTime.parse(said.opens), LocalTime.parse(said.closes), days(said.openDays));
        Set<LocalDate> off =
                Arrays.stream(stored.read(said.off, LocalDate[].class)).collect(Collectors.toSet());
        return new WorksWhen(user.id, user.displayName, said.works, own, said.opens != null, off);
    }

    private static Set<DayOfWeek> days(String names) {
        return Arrays.stream(names.split(",")).map(DayOfWeek::valueOf).collect(Collectors.toSet());
    }
}
