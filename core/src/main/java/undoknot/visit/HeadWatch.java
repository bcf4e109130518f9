package undoknot.visit;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import undoknot.head.Construction;
import undoknot.practice.HouseRules;
import undoknot.treatment.DryHold;
import undoknot.treatment.Method;
import undoknot.treatment.NoPower;
import undoknot.treatment.Site;
import undoknot.treatment.Wet;
import undoknot.visit.HeadNow.Kept;
import undoknot.visit.HeadNow.Wetting;

/** Follows what was logged of a head, in the order of time, and says how it stands now. */
public final class HeadWatch {

    /** A head that stands uncapped and not wet is warned of after that (handbook 8). */
    static final Duration UNCAPPED = Duration.ofMinutes(30);

    static final Duration UNCAPPED_HOT_DRY = Duration.ofMinutes(15);

    private final Construction construction;
    private final HouseRules house;
    private final Instant now;

    private Site site = Site.IN_CARRIAGE;
    private final List<Wetting> wettings = new ArrayList<>();
    private Instant padSince;
    private boolean padIsVolatile;
    private Instant toLookSince;
    private Instant spilledAt;
    private Instant evaporatesUntil;
    private Instant evaporatesSince;
    private Instant coversSince;
    private Instant uncappedSince;
    private boolean moistNow;
    private final Map<String, HeadEvent.PartOff> partsOff = new LinkedHashMap<>();

    private HeadWatch(Construction construction, HouseRules house, Instant now) {
        this.construction = construction;
        this.house = house;
        this.now = now;
    }

    /**
     * @param events everything that bears on it, in any order
     * @param hotDry whether the air is hot and dry
     */
    public static HeadNow of(
            List<HeadEvent> events, Construction construction, HouseRules house, boolean hotDry, Instant now) {
        HeadWatch watch = new HeadWatch(construction, house, now);
        events.stream()
                .filter(e -> !e.at().isAfter(now))
                .sorted(Comparator.comparing(HeadEvent::at))
                .forEach(watch::follow);
        return watch.headNow(hotDry ? UNCAPPED_HOT_DRY : UNCAPPED);
    }

    private void follow(HeadEvent event) {
        if (event instanceof HeadEvent.Worked work) {
            worked(work);
        } else if (event instanceof HeadEvent.Printed) {
            site = Site.IN_CARRIAGE;
            uncappedSince = null;
        } else if (event instanceof HeadEvent.DropTested) {
            layPad(event.at(), false);
        } else if (event instanceof HeadEvent.ContactsCleaned) {
            evaporates(event.at());
        } else if (event instanceof HeadEvent.PartOff off) {
            partsOff.put(off.part(), off);
        } else if (event instanceof HeadEvent.PartBack back) {
            partsOff.remove(back.part());
        } else if (event instanceof HeadEvent.Entered entered) {
            entered(entered);
        }
    }

    private void worked(HeadEvent.Worked work) {
        Method method = work.method();
        site = work.place(site);
        boolean over = work.endedAt() != null && !work.endedAt().isAfter(now);
        Instant end = over ? work.endedAt() : work.at();
        Wet wet = method.wets(site);
        if (wet != null) {
            wettings.add(wetting(wet.or(work.wet()), method, end, over));
        }
        if (work.site() != null) {
            if (method.asksAfterwards()) {
                toLookSince = end;
            }
            if (method.leavesPad(site)) {
                layPad(work.at(), work.volatileFluid());
            }
        }
        if (method.wetsContacts() || method.wetsFace() && work.volatileFluid() && site == Site.ON_BENCH) {
            evaporates(end);
        }
        if (method.needsPower()) {
            uncappedSince = null;
        } else if (site == Site.ON_BENCH && !method.wetsContacts()) {
            uncappedSince = end;
        }
        moistNow = !over && site == Site.ON_BENCH;
    }

    private Wetting wetting(Wet wet, Method by, Instant since, boolean over) {
        return new Wetting(wet, by, since, over ? since.plus(DryHold.of(wet, by, construction, house, false)) : null);
    }

    private void layPad(Instant at, boolean isVolatile) {
        padSince = padSince == null ? at : padSince;
        padIsVolatile |= isVolatile;
        uncappedSince = null;
    }

    private void evaporates(Instant at) {
        evaporatesSince = at;
        evaporatesUntil = at.plus(DryHold.EVAPORATES);
    }

    private void entered(HeadEvent.Entered entered) {
        Instant at = entered.at();
        switch (entered.entry()) {
            case HEAD_OUT -> {
                site = Site.ON_BENCH;
                uncappedSince = at;
            }
            case HEAD_IN -> site = Site.IN_CARRIAGE;
            case PAD_OUT -> padOut(at);
            case CAPPED -> uncappedSince = null;
            case UNCAPPED -> uncappedSince = at;
            case SEEN_DRY -> {
                spilledAt = null;
                toLookSince = null;
                seenDry();
            }
            case CONTACTS_DAMP -> damp(Wet.BODY, at);
            case BOARD_DAMP -> damp(Wet.BOARD, at);
            case SPILL -> spilledAt = at;
            case HOLD -> wettings.add(new Wetting(entered.wet(), null, at, at.plus(entered.length())));
            case HOLD_ENDED -> wettings.removeIf(w -> !w.since().isAfter(at));
        }
    }

    private void padOut(Instant at) {
        if (padSince == null) {
            return;
        }
        coversSince = padIsVolatile ? at : coversSince;
        padSince = null;
        padIsVolatile = false;
        uncappedSince = at;
    }

    /** Contacts that were seen dry may shorten the hold of a rinsed head, where the house says so. */
    private void seenDry() {
        wettings.replaceAll(w -> w.by() == null || w.until() == null
                ? w
                : new Wetting(
                        w.wet(),
                        w.by(),
                        w.since(),
                        w.since().plus(DryHold.of(w.wet(), w.by(), construction, house, true))));
    }

    /** What is damp got wet by the last work, not by the look. */
    private void damp(Wet wet, Instant seen) {
        Instant since = toLookSince == null ? seen : toLookSince;
        wettings.add(new Wetting(wet, null, since, since.plus(DryHold.of(wet, null, construction, house, false))));
        toLookSince = null;
        spilledAt = null;
    }

    private HeadNow headNow(Duration uncappedAtMost) {
        List<Wetting> wet = wettings.stream()
                .filter(w -> w.until() == null || w.until().isAfter(now))
                .sorted(Comparator.comparing(Wetting::until, Comparator.nullsLast(Comparator.naturalOrder()))
                        .reversed())
                .toList();
        List<Kept> kept = new ArrayList<>();
        if (padSince != null) {
            kept.add(new Kept(NoPower.PAD_UNDER_HEAD, padSince, null));
        }
        if (spilledAt != null) {
            kept.add(new Kept(NoPower.SPILL, spilledAt, null));
        }
        if (toLookSince != null) {
            kept.add(new Kept(NoPower.NOT_LOOKED, toLookSince, null));
        }
        if (!wet.isEmpty()) {
            Instant since =
                    wet.stream().map(Wetting::since).min(Instant::compareTo).orElseThrow();
            kept.add(new Kept(NoPower.HOLD, since, wet.get(0).until()));
        }
        if (evaporatesUntil != null && evaporatesUntil.isAfter(now)) {
            kept.add(new Kept(NoPower.EVAPORATING, evaporatesSince, evaporatesUntil));
        }
        Instant covers = coversSince == null ? null : coversSince.plus(DryHold.EVAPORATES);
        if (covers != null && covers.isAfter(now)) {
            kept.add(new Kept(NoPower.COVERS_OPEN, coversSince, covers));
        }
        for (NoPower reason : List.of(NoPower.CABLE_OFF, NoPower.LAID_IN)) {
            partsOff.values().stream()
                    .filter(off -> off.reason() == reason)
                    .findFirst()
                    .ifPresent(off -> kept.add(new Kept(reason, off.at(), null)));
        }
        Instant dry = driesSince(wet);
        return new HeadNow(site, kept, wet, dry, dry == null ? null : dry.plus(uncappedAtMost));
    }

    /** A head that is still wet, or lies in fluid, does not dry up; the clock of one that was wet begins when it is dry. */
    private Instant driesSince(List<Wetting> wet) {
        if (uncappedSince == null || moistNow || !wet.isEmpty()) {
            return null;
        }
        return wettings.stream()
                .map(Wetting::until)
                .filter(until -> until.isAfter(uncappedSince))
                .max(Instant::compareTo)
                .orElse(uncappedSince);
    }
}
