package undoknot.server.day;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import undoknot.bench.Bench;
import undoknot.bench.Fixed;
import undoknot.bench.HeadJob;
import undoknot.bench.Person;
import undoknot.bench.Place;
import undoknot.bench.Window;
import undoknot.bench.WorkingHours;
import undoknot.plan.Promise;
import undoknot.server.visit.LoggedVisit;
import undoknot.server.visit.LookedAt;

/** The bench as a day is made from it: what its heads still take, who is there, what somebody has in hand, and what was pinned. */
@Component
class BenchNow {

    /** Days for which hours are laid out; work for longer than that fits nowhere. */
    private static final int DAYS = 45;

    /** So far ahead a step can be wanted. */
    static final Duration AHEAD = Duration.ofDays(DAYS - 1L);

    private final LookedAt visits;
    private final HeadJobs jobs;
    private final DaySetup setup;
    private final DayPins pins;

    BenchNow(LookedAt visits, HeadJobs jobs, DaySetup setup, DayPins pins) {
        this.visits = visits;
        this.jobs = jobs;
        this.setup = setup;
        this.pins = pins;
    }

    /**
     * @param start minute 0
     * @param people by place in the list of the bench
     * @param heads by place in the list of the bench
     */
    record Asked(Instant start, Bench bench, List<WorksWhen> people, List<HeadJobs.Left> heads) {}

    /** The real bench. */
    @Transactional(readOnly = true)
    public Asked asked(Instant now) {
        return asked(now, setup.have(), setup.people());
    }

    /** What a head finds on the bench besides itself. */
    @Transactional(readOnly = true)
    public Asked besides(UUID visitId, Instant now) {
        return asked(
                visits.open().stream()
                        .filter(v -> !v.visit().id.equals(visitId))
                        .toList(),
                now,
                setup.have(),
                setup.people());
    }

    /** The same heads with other people, hours or places. */
    @Transactional(readOnly = true)
    public Asked asked(Instant now, Map<Place, Integer> have, List<WorksWhen> people) {
        return asked(visits.open(), now, have, people);
    }

    private Asked asked(List<LoggedVisit> open, Instant now, Map<Place, Integer> have, List<WorksWhen> people) {
        // The next full minute: what is over by then is over, and nothing begins before now.
        Instant start = now.plusSeconds(59).truncatedTo(ChronoUnit.MINUTES);
        Promise.Hours hours = setup.shopHours();
        List<HeadJobs.Left> heads =
                open.stream().map(v -> jobs.of(v, start, hours)).toList();
        List<WorksWhen> working =
                new ArrayList<>(people.stream().filter(WorksWhen::works).toList());
        List<Person> persons = new ArrayList<>();
        LocalDate today = LocalDate.ofInstant(start, hours.zone());
        for (WorksWhen one : working) {
            persons.add(new Person(one.name(), WorkingHours.of(one.hours(), start, today, DAYS, one.off())));
        }
        Map<String, Fixed> fixed = new HashMap<>();
        for (HeadJobs.Left left : heads) {
            if (left.inHandOf() != null) {
                int who = place(left, people, working, persons);
                HeadJob job = left.job();
                fixed.put(Bench.key(job, job.stints().get(0)), new Fixed(who, 0, true));
            }
        }
        pinned(start, heads, working).forEach(fixed::putIfAbsent);
        Bench bench = new Bench(heads.stream().map(HeadJobs.Left::job).toList(), persons, have, fixed);
        return new Asked(start, bench, List.copyOf(working), heads);
    }

    /** Whoever has a head in hand is there, whatever the hours say: for as long as that takes. */
    private static int place(HeadJobs.Left left, List<WorksWhen> all, List<WorksWhen> working, List<Person> persons) {
        for (int i = 0; i < working.size(); i++) {
            if (working.get(i).name().equals(left.inHandOf())) {
                return i;
            }
        }
        WorksWhen who = all.stream()
                .filter(p -> p.name().equals(left.inHandOf()))
                .findFirst()
                .orElseGet(() -> new WorksWhen(
                        UUID.nameUUIDFromBytes(left.inHandOf().getBytes(StandardCharsets.UTF_8)),
                        left.inHandOf(),
                        true,
                        Promise.Hours.unsaid(ZoneOffset.UTC),
                        false,
                        Set.of()));
        working.add(who);
        persons.add(new Person(
                who.name(), List.of(new Window(0, left.job().stints().get(0).hands()))));
        return working.size() - 1;
    }

    private Map<String, Fixed> pinned(Instant start, List<HeadJobs.Left> heads, List<WorksWhen> working) {
        Map<UUID, HeadJob> byVisit = new HashMap<>();
        heads.forEach(left -> byVisit.put(left.logged().visit().id, left.job()));
        Map<String, Fixed> fixed = new HashMap<>();
        for (DayPin pin : pins.findByVisitIdIn(byVisit.keySet())) {
            byVisit.get(pin.visitId).stints().stream()
                    .filter(stint -> stint.key().equals(pin.step))
                    .findFirst()
                    .ifPresent(stint -> {
                        int who = indexOf(working, pin.personId);
                        int at = WorkingHours.minute(start, pin.startsAt);
                        // What should have begun by now and has not is free again.
                        if (who >= 0 && at >= 0) {
                            fixed.put(Bench.key(byVisit.get(pin.visitId), stint), new Fixed(who, at, false));
                        }
                    });
        }
        return fixed;
    }

    static int indexOf(List<WorksWhen> people, UUID id) {
        for (int i = 0; i < people.size(); i++) {
            if (people.get(i).id().equals(id)) {
                return i;
            }
        }
        return -1;
    }
}
