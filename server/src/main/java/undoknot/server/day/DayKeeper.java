package undoknot.server.day;

import java.time.Clock;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import undoknot.bench.Bench;
import undoknot.bench.DaySolver;
import undoknot.bench.Fixed;
import undoknot.bench.NoRoom;
import undoknot.bench.Pins;
import undoknot.bench.Place;
import undoknot.bench.Proposed;
import undoknot.bench.WorkingHours;
import undoknot.server.account.SignedIn;
import undoknot.server.problem.Refused;
import undoknot.server.write.RepeatableWrite;
import undoknot.server.write.StoredJson;

/** Proposes days and keeps the one that stands. Days are made outside of a transaction: nobody waits for a row meanwhile. */
@Component
class DayKeeper {

    /** After a pin the rest has to make room, no more. */
    private static final DaySolver.Effort SHORT = new DaySolver.Effort(0.03, 1);

    /** Two days are made to be held against each other, in the time of one. */
    private static final DaySolver.Effort HALF = new DaySolver.Effort(0.05, 1.1);

    private final BenchNow bench;
    private final SolverTurn turn;
    private final ProposedDays days;
    private final DayPins pins;
    private final RepeatableWrite writes;
    private final StoredJson stored;
    private final Clock clock;

    DayKeeper(
            BenchNow bench,
            SolverTurn turn,
            ProposedDays days,
            DayPins pins,
            RepeatableWrite writes,
            StoredJson stored,
            Clock clock) {
        this.bench = bench;
        this.turn = turn;
        this.days = days;
        this.pins = pins;
        this.writes = writes;
        this.stored = stored;
        this.clock = clock;
    }

    Optional<KeptDay> kept() {
        return days.findById(ProposedDay.ONLY).map(row -> stored.read(row.day, KeptDay.class));
    }

    /** @param anew whether what was planned may move freely; else it moves as little as it can */
    KeptDay propose(boolean anew) {
        KeptDay day = turn.make(() -> {
            BenchNow.Asked asked = bench.asked(clock.instant());
            return made(asked, anew ? Optional.empty() : kept(), DaySolver.Effort.USUAL);
        });
        return keep(day, () -> {});
    }

    /**
     * Wants a step done by someone at a time; the rest makes room.
     *
     * @throws Refused when the step is no more to come, or it does not fit there
     */
    KeptDay pin(UUID visitId, String step, UUID personId, Instant at) {
        Instant now = clock.instant();
        if (at.isBefore(now.minusSeconds(60))) {
            throw Refused.entry("at", "PAST", "This time is past. Choose one that is still to come.");
        }
        if (at.isAfter(now.plus(BenchNow.AHEAD))) {
            throw Refused.entry("at", "FAR", "Choose a time within the next " + BenchNow.AHEAD.toDays() + " days.");
        }
        KeptDay day = turn.make(() -> {
            BenchNow.Asked asked = bench.asked(now);
            int who = BenchNow.indexOf(asked.people(), personId);
            if (who < 0) {
                throw Refused.entry("personId", "UNKNOWN", "No work is planned for this person. Choose another.");
            }
            String key = key(asked, visitId, step);
            Map<String, Fixed> others = new HashMap<>(asked.bench().fixed());
            others.remove(key);
            Map<String, Fixed> fixed = new HashMap<>(
                    Pins.thatFit(asked.bench().with(others)).bench().fixed());
            fixed.put(key, new Fixed(who, Math.max(0, WorkingHours.minute(asked.start(), at)), false));
            BenchNow.Asked wanted =
                    new BenchNow.Asked(asked.start(), asked.bench().with(fixed), asked.people(), asked.heads());
            // What does not fit is refused here, with its reason.
            return told(wanted, solved(wanted.bench(), asked.start(), kept(), SHORT), Map.of());
        });
        return keep(day, () -> {
            DayPin pin = pins.findByVisitIdAndStep(visitId, step).orElseGet(() -> new DayPin(visitId, step));
            if (!personId.equals(pin.personId) || !at.equals(pin.startsAt)) {
                pin.personId = personId;
                pin.startsAt = at;
                pin.pinnedAt = now;
                pin.pinnedBy = SignedIn.now().displayName();
                pins.saveAndFlush(pin);
            }
        });
    }

    private static String key(BenchNow.Asked asked, UUID visitId, String step) {
        HeadJobs.Left left = asked.heads().stream()
                .filter(head -> head.logged().visit().id.equals(visitId))
                .findFirst()
                .orElseThrow(() -> Refused.notFound("head on the bench"));
        return left.job().stints().stream()
                .filter(stint -> stint.key().equals(step))
                .map(stint -> Bench.key(left.job(), stint))
                .filter(key -> asked.bench().fixed().get(key) == null
                        || !asked.bench().fixed().get(key).begun())
                .findFirst()
                .orElseThrow(() -> Refused.because(
                        HttpStatus.CONFLICT,
                        "step-gone",
                        "This step has begun, or the head takes another course by now. Bring the day up to date."));
    }

    /** Lets a step go where it is best. */
    KeptDay unpin(UUID visitId, String step) {
        writes.run(() -> {
            pins.findByVisitIdAndStep(visitId, step).ifPresent(pins::delete);
            return visitId;
        });
        KeptDay day = turn.make(() -> made(bench.asked(clock.instant()), kept(), SHORT));
        return keep(day, () -> {});
    }

    /** The day as it is, and as it would be; nothing is kept. */
    record Tried(KeptDay real, KeptDay tried) {}

    Tried tried(Map<Place, Integer> have, List<WorksWhen> people) {
        Instant now = clock.instant();
        return turn.make(() -> new Tried(
                made(bench.asked(now), Optional.empty(), HALF),
                made(bench.asked(now, have, people), Optional.empty(), HALF)));
    }

    private KeptDay made(BenchNow.Asked asked, Optional<KeptDay> before, DaySolver.Effort effort) {
        Pins fit = Pins.thatFit(asked.bench());
        return told(
                new BenchNow.Asked(asked.start(), fit.bench(), asked.people(), asked.heads()),
                solved(fit.bench(), asked.start(), before, effort),
                fit.letGo());
    }

    private static Proposed solved(Bench bench, Instant start, Optional<KeptDay> before, DaySolver.Effort effort) {
        return before.map(day -> DaySolver.again(bench, day.planned(start), effort))
                .orElseGet(() -> DaySolver.propose(bench, effort));
    }

    private KeptDay told(BenchNow.Asked asked, Proposed proposed, Map<String, NoRoom.Why> letGo) {
        return new KeptDay.Telling(asked, proposed)
                .tell(clock.instant(), SignedIn.now().displayName(), letGo);
    }

    private KeptDay keep(KeptDay day, Runnable with) {
        writes.run(() -> {
            with.run();
            ProposedDay row = days.findById(ProposedDay.ONLY).orElseGet(ProposedDay::new);
            row.day = stored.write(day);
            row.madeAt = day.madeAt();
            row.madeBy = day.madeBy();
            return days.saveAndFlush(row);
        });
        return day;
    }
}
