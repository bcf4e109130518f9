package undoknot.server.day;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.time.Clock;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalTime;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import org.springframework.lang.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import undoknot.bench.Place;
import undoknot.plan.Promise;
import undoknot.server.account.Role;
import undoknot.server.account.SignedIn;
import undoknot.server.problem.Refused;
import undoknot.server.write.RepeatableWrite;
import undoknot.server.write.StoredJson;

/** What a day is made with: people, hours and places, as they are and as a lead tries them. */
@RestController
@RequestMapping("/api/day")
class SetupController {

    private static final String CLOCK = "([01]\\d|2[0-3]):[0-5]\\d";
    private static final String TIME = "Enter a time of day, such as 08:30.";
    private static final String COUNT = "Enter 0 to 50.";

    private final DaySetup setup;
    private final DayKeeper keeper;
    private final BenchPlacesRows places;
    private final PersonHoursRows hours;
    private final RepeatableWrite writes;
    private final StoredJson stored;
    private final Clock clock;

    SetupController(
            DaySetup setup,
            DayKeeper keeper,
            BenchPlacesRows places,
            PersonHoursRows hours,
            RepeatableWrite writes,
            StoredJson stored,
            Clock clock) {
        this.setup = setup;
        this.keeper = keeper;
        this.places = places;
        this.hours = hours;
        this.writes = writes;
        this.stored = stored;
        this.clock = clock;
    }

    /**
     * @param trays in which a head can soak
     * @param printers that can stand open at once
     * @param testSlots places at which a printer can print
     */
    record PlacesEntry(
            @NotNull(message = COUNT) @Min(value = 0, message = COUNT) @Max(value = 50, message = COUNT)
            Integer baths,

            @NotNull(message = COUNT) @Min(value = 0, message = COUNT) @Max(value = 50, message = COUNT)
            Integer trays,

            @NotNull(message = COUNT) @Min(value = 0, message = COUNT) @Max(value = 50, message = COUNT)
            Integer printers,

            @NotNull(message = COUNT) @Min(value = 0, message = COUNT) @Max(value = 50, message = COUNT)
            Integer testSlots) {

        static PlacesEntry of(Map<Place, Integer> have) {
            return new PlacesEntry(
                    have.get(Place.BATH), have.get(Place.TRAY), have.get(Place.PRINTER), have.get(Place.TEST_SLOT));
        }

        Map<Place, Integer> have() {
            return Map.of(Place.BATH, baths, Place.TRAY, trays, Place.PRINTER, printers, Place.TEST_SLOT, testSlots);
        }
    }

    /** @param opens as HH:mm, before {@code closes} */
    record OwnHours(
            @NotNull(message = TIME) @Pattern(regexp = CLOCK, message = TIME)
            String opens,

            @NotNull(message = TIME) @Pattern(regexp = CLOCK, message = TIME)
            String closes,

            @NotEmpty(message = "Choose at least one day.") @Size(max = 7, message = "A week has seven days.")
            Set<@NotNull DayOfWeek> days) {}

    /**
     * @param works whether work is planned for this person
     * @param own hours; absent for those of the shop
     * @param off days away
     */
    record PersonEntry(
            @NotNull(message = "Say whether work is planned for this person.")
            Boolean works,

            @Nullable @Valid OwnHours own,

            @NotNull(message = "Give the days away; there may be none.")
            @Size(max = 100, message = "Keep it to {max} days.")
            List<@NotNull LocalDate> off) {}

    record PersonView(UUID id, String name, boolean works, OwnHours hours, boolean own, List<LocalDate> off) {
        static PersonView of(WorksWhen one) {
            Promise.Hours h = one.hours();
            return new PersonView(
                    one.id(),
                    one.name(),
                    one.works(),
                    new OwnHours(h.opens().toString(), h.closes().toString(), new TreeSet<>(h.days())),
                    one.own(),
                    one.off().stream().sorted().toList());
        }
    }

    record SetupView(PlacesEntry places, List<PersonView> people, boolean hoursUnsaid) {}

    @GetMapping("/setup")
    SetupView setup() {
        return new SetupView(
                PlacesEntry.of(setup.have()),
                setup.people().stream().map(PersonView::of).toList(),
                setup.isUnsaid());
    }

    @PutMapping("/setup/places")
    SetupView places(@Valid @RequestBody PlacesEntry entry) {
        leadOnly();
        writes.run(() -> {
            BenchPlaces row = places.findById(BenchPlaces.ONLY).orElseGet(BenchPlaces::new);
            row.baths = entry.baths();
            row.trays = entry.trays();
            row.printers = entry.printers();
            row.testSlots = entry.testSlots();
            row.changedAt = clock.instant();
            row.changedBy = SignedIn.now().displayName();
            return places.saveAndFlush(row);
        });
        return setup();
    }

    @PutMapping("/setup/people/{id}")
    SetupView person(@PathVariable UUID id, @Valid @RequestBody PersonEntry entry) {
        leadOnly();
        checkOrder("own", entry);
        if (setup.people().stream().noneMatch(one -> one.id().equals(id))) {
            throw Refused.notFound("person who works here");
        }
        writes.run(() -> {
            PersonHours row = hours.findById(id).orElseGet(() -> new PersonHours(id));
            OwnHours own = entry.own();
            row.works = entry.works();
            row.opens = own == null ? null : own.opens();
            row.closes = own == null ? null : own.closes();
            row.openDays = own == null
                    ? null
                    : own.days().stream().sorted().map(DayOfWeek::name).collect(Collectors.joining(","));
            row.off = stored.write(entry.off().stream().distinct().sorted().toList());
            row.changedAt = clock.instant();
            row.changedBy = SignedIn.now().displayName();
            return hours.saveAndFlush(row);
        });
        return setup();
    }

    /** @param people by key; whoever is left out stands as is */
    record TrialEntry(
            @NotNull(message = "Give the places.") @Valid PlacesEntry places,

            @NotNull(message = "Give the people; there may be none.") @Size(max = 200, message = "Give at most {max}.")
            Map<UUID, @Valid @NotNull PersonEntry> people) {}

    record TrialView(KeptDay real, KeptDay tried) {}

    /** The day as it would be with other hours, people or places. Nothing is stored. */
    @PostMapping("/trial")
    TrialView trial(@Valid @RequestBody TrialEntry entry) {
        leadOnly();
        Promise.Hours usual = setup.shopHours();
        entry.people().forEach((id, one) -> checkOrder("people[" + id + "].own", one));
        Map<UUID, WorksWhen> people =
                new HashMap<>(setup.people().stream().collect(Collectors.toMap(WorksWhen::id, Function.identity())));
        entry.people().forEach((id, other) -> people.computeIfPresent(id, (key, is) -> of(is, other, usual)));
        List<WorksWhen> tried =
                setup.people().stream().map(one -> people.get(one.id())).toList();
        DayKeeper.Tried both = keeper.tried(entry.places().have(), tried);
        return new TrialView(both.real(), both.tried());
    }

    private static WorksWhen of(WorksWhen is, PersonEntry other, Promise.Hours usual) {
        OwnHours own = other.own();
        Promise.Hours then = own == null
                ? usual
                : new Promise.Hours(
                        usual.zone(), LocalTime.parse(own.opens()), LocalTime.parse(own.closes()), own.days());
        return new WorksWhen(is.id(), is.name(), other.works(), then, own != null, new HashSet<>(other.off()));
    }

    private static void checkOrder(String field, PersonEntry entry) {
        if (entry.own() != null && entry.own().opens().compareTo(entry.own().closes()) >= 0) {
            throw Refused.entry(field + ".closes", "ORDER", "Work ends after it begins. Enter a later time.");
        }
    }

    private static void leadOnly() {
        if (SignedIn.now().role() != Role.LEAD) {
            throw Refused.because(
                    HttpStatus.FORBIDDEN, "lead-only", "Only a lead sets or tries other hours and places.");
        }
    }
}
