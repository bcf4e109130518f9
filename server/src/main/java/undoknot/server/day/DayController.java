package undoknot.server.day;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.lang.Nullable;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import undoknot.bench.HeadJob;
import undoknot.bench.Since;
import undoknot.bench.Stint;
import undoknot.server.problem.Refused;

/** The order of the day: who does what when. */
@RestController
@RequestMapping("/api/day")
class DayController {

    private static final String CALENDAR = "text/calendar";

    private final DayKeeper keeper;
    private final DaySetup setup;
    private final BenchNow bench;
    private final DayCalendar calendar;
    private final Clock clock;

    DayController(DayKeeper keeper, DaySetup setup, BenchNow bench, DayCalendar calendar, Clock clock) {
        this.keeper = keeper;
        this.setup = setup;
        this.bench = bench;
        this.calendar = calendar;
        this.clock = clock;
    }

    /** A head that does not stand as the day has it. */
    record HeadSince(UUID visitId, String tag, Since since) {}

    /**
     * @param day as it was proposed last; absent before the first
     * @param since heads for which it holds no more
     * @param hoursUnsaid whether nobody said yet when the shop is open, so that 8 to 18 is reckoned with
     */
    record DayView(Instant serverTime, @Nullable KeptDay day, List<HeadSince> since, boolean hoursUnsaid) {}

    @GetMapping
    DayView day() {
        return view(keeper.kept().orElse(null));
    }

    private DayView view(KeptDay day) {
        Instant now = clock.instant();
        return new DayView(now, day, day == null ? List.of() : since(day, now), setup.isUnsaid());
    }

    private List<HeadSince> since(KeptDay day, Instant now) {
        Map<UUID, KeptDay.DayHead> planned =
                day.heads().stream().collect(Collectors.toMap(KeptDay.DayHead::visitId, Function.identity()));
        Map<UUID, HeadJob> left = bench.asked(now).heads().stream()
                .collect(Collectors.toMap(one -> one.logged().visit().id, HeadJobs.Left::job));
        List<HeadSince> all = new ArrayList<>();
        left.forEach((id, job) ->
                all.add(new HeadSince(id, job.tag(), Since.of(planned(planned.get(id), now), keys(job)))));
        planned.forEach((id, head) -> {
            if (!left.containsKey(id) && !head.work().isEmpty()) {
                all.add(new HeadSince(id, head.tag(), Since.DONE));
            }
        });
        return all.stream()
                .filter(one -> one.since != Since.AS_PLANNED)
                .filter(one -> one.since != Since.DONE || hasWork(planned.get(one.visitId)))
                .sorted(Comparator.comparing(HeadSince::tag))
                .toList();
    }

    private static boolean hasWork(@Nullable KeptDay.DayHead head) {
        return head != null && !head.work().isEmpty();
    }

    private static List<Since.Planned> planned(@Nullable KeptDay.DayHead head, Instant now) {
        return head == null
                ? List.of()
                : head.work().stream()
                        .map(w -> new Since.Planned(
                                w.key(), (int) Duration.between(now, w.until()).toMinutes()))
                        .toList();
    }

    private static List<String> keys(HeadJob job) {
        return job.stints().stream().map(Stint::key).toList();
    }

    /** @param anew whether what was planned may move freely; else it moves as little as it can */
    record ProposeEntry(
            @NotNull(message = "Say whether the day is made anew.")
            Boolean anew) {}

    @PostMapping
    DayView propose(@Valid @RequestBody ProposeEntry entry) {
        return view(keeper.propose(entry.anew()));
    }

    record PinEntry(
            @NotNull(message = "Choose who does it.") UUID personId,
            @NotNull(message = "Choose a time.") Instant at) {}

    /** Wants a step done by someone at a time; the rest makes room. */
    @PutMapping("/pins/{visitId}/{step}")
    DayView pin(@PathVariable UUID visitId, @PathVariable String step, @Valid @RequestBody PinEntry entry) {
        return view(keeper.pin(visitId, step, entry.personId(), entry.at()));
    }

    @DeleteMapping("/pins/{visitId}/{step}")
    DayView unpin(@PathVariable UUID visitId, @PathVariable String step) {
        return view(keeper.unpin(visitId, step));
    }

    /** What one person has to do, for a calendar (RFC 5545). */
    @GetMapping(path = "/calendars/{personId}.ics", produces = CALENDAR)
    ResponseEntity<String> calendar(@PathVariable UUID personId) {
        KeptDay day = keeper.kept().orElseThrow(() -> Refused.notFound("day"));
        KeptDay.DayPerson person = day.people().stream()
                .filter(one -> one.id().equals(personId))
                .findFirst()
                .orElseThrow(() -> Refused.notFound("person in this day"));
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"day.ics\"")
                .contentType(MediaType.parseMediaType(CALENDAR + ";charset=UTF-8"))
                .body(calendar.of(day, person));
    }
}
