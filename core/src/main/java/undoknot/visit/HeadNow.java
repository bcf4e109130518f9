package undoknot.visit;

import java.time.Instant;
import java.util.EnumSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import undoknot.treatment.Method;
import undoknot.treatment.NoPower;
import undoknot.treatment.Site;
import undoknot.treatment.Wet;

/**
 * Where a head is, what keeps it from power, and since when it stands uncapped and dries (handbook 8, 12 and 14).
 *
 * @param site where it is
 * @param keptFrom what keeps it from power now, in the order in which hands can end it
 * @param wettings what the hold that runs is counted from, the one that ends last first; empty without a hold
 * @param uncappedSince since when it stands uncapped and not wet; null when it does not
 * @param driesAt when that is too long
 */
public record HeadNow(Site site, List<Kept> keptFrom, List<Wetting> wettings, Instant uncappedSince, Instant driesAt) {

    /** In its carriage, dry, and capped. */
    public static final HeadNow READY = new HeadNow(Site.IN_CARRIAGE, List.of(), List.of(), null, null);

    /**
     * One reason why there is no power.
     *
     * @param since when it began
     * @param until when it ends by itself; null when hands end it, or while the wet work still runs
     */
    public record Kept(NoPower reason, Instant since, Instant until) {}

    /**
     * Something that got wet.
     *
     * @param by the work that wetted it; null when something else did
     * @param since the hold counts from here
     * @param until null while the work still runs
     */
    public record Wetting(Wet wet, Method by, Instant since, Instant until) {}

    public HeadNow {
        Objects.requireNonNull(site, "site");
        keptFrom = List.copyOf(keptFrom);
        wettings = List.copyOf(wettings);
    }

    public Set<NoPower> noPower() {
        Set<NoPower> reasons = EnumSet.noneOf(NoPower.class);
        keptFrom.forEach(kept -> reasons.add(kept.reason()));
        return reasons;
    }

    public Optional<Kept> kept(NoPower reason) {
        return keptFrom.stream().filter(kept -> kept.reason() == reason).findFirst();
    }

    public boolean inHold() {
        return kept(NoPower.HOLD).isPresent();
    }

    public boolean mayHavePower() {
        return keptFrom.isEmpty();
    }

    /** When the hold ends; empty without one, and while the wet work still runs. */
    public Optional<Instant> heldUntil() {
        return kept(NoPower.HOLD).map(Kept::until);
    }

    /** The last of all waits that end by themselves; empty when none runs. */
    public Optional<Instant> waitsUntil() {
        return keptFrom.stream().map(Kept::until).filter(Objects::nonNull).max(Instant::compareTo);
    }
}
