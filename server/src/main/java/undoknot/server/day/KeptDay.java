package undoknot.server.day;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.springframework.lang.Nullable;
import undoknot.bench.Bench;
import undoknot.bench.Day;
import undoknot.bench.DayReasons;
import undoknot.bench.Fixed;
import undoknot.bench.HeadJob;
import undoknot.bench.NoRoom;
import undoknot.bench.Place;
import undoknot.bench.Proposed;
import undoknot.bench.Stint;
import undoknot.bench.WhatHelps;
import undoknot.bench.Window;
import undoknot.bench.WorkingHours;
import undoknot.plan.Doing;
import undoknot.treatment.Method;

/**
 * A day as it was proposed, in times.
 *
 * @param start when it begins: what lies before was so
 * @param lateMinutes of all heads together
 * @param readyMinutes after the start at which heads are ready, of all heads together
 * @param firstComeLateMinutes the same if heads were taken as they came, as {@code firstComeReadyMinutes}
 * @param lateBoundMinutes below which no day can bring what is late; proved
 * @param repeatable false when another run may come to another day
 * @param letGo pins that fit no more
 */
record KeptDay(
        Instant start,
        Instant madeAt,
        String madeBy,
        List<DayPerson> people,
        Map<Place, Integer> have,
        List<DayHead> heads,
        long lateMinutes,
        long readyMinutes,
        long firstComeLateMinutes,
        long firstComeReadyMinutes,
        long lateBoundMinutes,
        boolean repeatable,
        List<DayWait> waits,
        List<DayLate> late,
        List<UUID> overnight,
        List<UUID> eased,
        List<DayHelp> helps,
        List<PinLetGo> letGo) {

    record DaySpan(Instant from, Instant until) {}

    /** @param hours when this person is there, from the start on */
    record DayPerson(UUID id, String name, List<DaySpan> hours) {}

    /**
     * Work that one person does without leaving it, and the wait after it.
     *
     * @param key names it within its head
     * @param method absent for what goes before and after the attempts
     * @param personId who does it
     * @param waitsUntil when what comes after it can begin at the earliest; absent where nothing waits
     * @param latest when what comes after it has to begin; absent for any time
     * @param kept whether the places stay taken while it waits
     * @param begun whether somebody has it in hand
     */
    record DayWork(
            String key,
            Doing doing,
            @Nullable Method method,
            UUID personId,
            Instant from,
            Instant until,
            @Nullable Instant waitsUntil,
            @Nullable Instant latest,
            Set<Place> places,
            boolean kept,
            boolean pinned,
            boolean begun) {}

    /**
     * @param runsUntil when what runs in it is over; absent where nothing does
     * @param due when it is promised
     * @param againPercent chance that it takes another round than those planned
     * @param againMinutes hands of that round
     */
    record DayHead(
            UUID visitId,
            String tag,
            String headName,
            @Nullable Instant runsUntil,
            Set<Place> runsIn,
            @Nullable Instant due,
            Instant ready,
            int lateMinutes,
            int againPercent,
            int againMinutes,
            List<DayWork> work) {}

    /**
     * What heads wait on that could go on.
     *
     * @param minutes of all heads together
     * @param heads how many
     * @param from when the first begins to wait
     */
    record DayWait(DayReasons.On on, int minutes, int heads, Instant from) {}

    /**
     * @param minutes after its promise
     * @param anyway whether it would be late with the whole bench to itself
     * @param on what it waits on longest; absent when on nothing
     */
    record DayLate(
            UUID visitId,
            int minutes,
            boolean anyway,
            @Nullable DayReasons.On on) {}

    /**
     * What one more would save, reckoned by the quick rules on both sides.
     *
     * @param lateMinutes that heads are late less, as {@code readyMinutes} that they are ready earlier; of all heads together
     */
    record DayHelp(WhatHelps.More more, long lateMinutes, long readyMinutes) {}

    /** A step that was pinned where it fits no more. */
    record PinLetGo(UUID visitId, String key, NoRoom.Why why) {}

    @Schema(hidden = true)
    Day planned(Instant newStart) {
        Map<String, Day.Placed> placed = new HashMap<>();
        for (DayHead head : heads) {
            for (DayWork work : head.work) {
                placed.put(head.visitId + "/" + work.key, new Day.Placed(0, WorkingHours.minute(newStart, work.from)));
            }
        }
        return new Day(placed);
    }

    /** Puts minutes into times and places in lists into keys. */
    static final class Telling {
        private final BenchNow.Asked asked;
        private final Proposed proposed;

        Telling(BenchNow.Asked asked, Proposed proposed) {
            this.asked = asked;
            this.proposed = proposed;
        }

        KeptDay tell(Instant madeAt, String madeBy, Map<String, NoRoom.Why> letGo) {
            DayReasons reasons = DayReasons.of(asked.bench(), proposed);
            return new KeptDay(
                    asked.start(),
                    madeAt,
                    madeBy,
                    people(),
                    asked.bench().have(),
                    heads(),
                    proposed.score().late(),
                    proposed.score().ready(),
                    proposed.firstCome().late(),
                    proposed.firstCome().ready(),
                    proposed.lateBound(),
                    proposed.isRepeatable(),
                    reasons.waits().stream()
                            .map(w -> new DayWait(w.on(), w.minutes(), w.heads(), at(w.from())))
                            .toList(),
                    reasons.late().stream()
                            .map(l -> new DayLate(UUID.fromString(l.id()), l.minutes(), l.anyway(), l.on()))
                            .toList(),
                    reasons.overnight().stream().map(UUID::fromString).toList(),
                    reasons.eased().stream().map(UUID::fromString).toList(),
                    WhatHelps.of(asked.bench()).stream()
                            .map(h -> new DayHelp(h.more(), h.late(), h.ready()))
                            .toList(),
                    letGo.entrySet().stream()
                            .map(e -> letGo(e.getKey(), e.getValue()))
                            .toList());
        }

        private static PinLetGo letGo(String key, NoRoom.Why why) {
            int cut = key.indexOf('/');
            return new PinLetGo(UUID.fromString(key.substring(0, cut)), key.substring(cut + 1), why);
        }

        private Instant at(int minute) {
            return asked.start().plus(Duration.ofMinutes(minute));
        }

        private List<DayPerson> people() {
            List<DayPerson> people = new ArrayList<>();
            for (int i = 0; i < asked.people().size(); i++) {
                List<Window> hours = asked.bench().people().get(i).atWork();
                people.add(new DayPerson(
                        asked.people().get(i).id(),
                        asked.people().get(i).name(),
                        hours.stream()
                                .map(w -> new DaySpan(at(w.from()), at(w.until())))
                                .toList()));
            }
            return people;
        }

        private List<DayHead> heads() {
            List<DayHead> heads = new ArrayList<>();
            Bench bench = proposed.bench();
            for (int i = 0; i < bench.heads().size(); i++) {
                HeadJob job = bench.heads().get(i);
                HeadJobs.Left left = asked.heads().get(i);
                heads.add(new DayHead(
                        left.logged().visit().id,
                        job.tag(),
                        left.logged().family().name(),
                        job.from() > 0 ? at(job.from()) : null,
                        job.runsIn(),
                        job.due() == null ? null : at(job.due()),
                        at(proposed.day().ready(job)),
                        proposed.day().late(job),
                        (int) Math.round(100 * job.again()),
                        job.againHands(),
                        job.stints().stream().map(stint -> work(job, stint)).toList()));
            }
            return heads;
        }

        private DayWork work(HeadJob job, Stint stint) {
            Day.Placed placed = proposed.day().of(job, stint);
            Fixed fixed = proposed.bench().fixed().get(Bench.key(job, stint));
            int end = placed.start() + stint.hands();
            return new DayWork(
                    stint.key(),
                    stint.doing(),
                    stint.method(),
                    asked.people().get(placed.person()).id(),
                    at(placed.start()),
                    at(end),
                    stint.least() == 0 ? null : at(end + stint.least()),
                    stint.most() == Stint.ANY ? null : at(end + stint.most()),
                    stint.places(),
                    stint.kept(),
                    fixed != null && !fixed.begun(),
                    fixed != null && fixed.begun());
        }
    }
}
