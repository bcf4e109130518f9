package undoknot.visit;

import java.time.Duration;
import java.time.Instant;
import java.util.Objects;
import undoknot.treatment.Method;
import undoknot.treatment.NoPower;
import undoknot.treatment.Site;
import undoknot.treatment.Wet;

/** What of a visit bears on where a head is and whether it may have power, each with its time. */
public sealed interface HeadEvent {

    Instant at();

    /**
     * Work.
     *
     * @param endedAt null while it runs
     * @param site where it was done; null for work logged before that was asked, which then leaves no pad and asks nothing
     * @param wet how deep the head went into fluid; null where it is not asked
     * @param volatileFluid whether its fluid gives a vapour that burns
     */
    record Worked(Instant at, Instant endedAt, Method method, Site site, Wet wet, boolean volatileFluid)
            implements HeadEvent {
        public Worked {
            Objects.requireNonNull(at, "at");
            Objects.requireNonNull(method, "method");
        }

        Site place(Site before) {
            if (method.goesAt(before)) {
                return site == null ? before : site;
            }
            return before == Site.IN_CARRIAGE ? Site.ON_BENCH : Site.IN_CARRIAGE;
        }
    }

    /** A printed check: the head is in its carriage, and the machine parks it on its cap. */
    record Printed(Instant at) implements HeadEvent {}

    /** Drops on a port, with a pad touching the face. */
    record DropTested(Instant at) implements HeadEvent {}

    /** Contacts cleaned with a volatile fluid in the course of a look. */
    record ContactsCleaned(Instant at) implements HeadEvent {}

    /**
     * Something came off, or was laid in, that must be back, or out, before there is power.
     *
     * @param part its key
     */
    record PartOff(Instant at, String part, NoPower reason) implements HeadEvent {
        public PartOff {
            Objects.requireNonNull(at, "at");
            Objects.requireNonNull(part, "part");
            Objects.requireNonNull(reason, "reason");
        }
    }

    /** It is back, or out. */
    record PartBack(Instant at, String part) implements HeadEvent {}

    /**
     * @param wet how far, for a hold; otherwise null
     * @param length of a hold; otherwise null
     */
    record Entered(Instant at, HeadEntry entry, Wet wet, Duration length) implements HeadEvent {
        public Entered {
            Objects.requireNonNull(at, "at");
            Objects.requireNonNull(entry, "entry");
            if (entry == HeadEntry.HOLD) {
                Objects.requireNonNull(wet, "wet");
                Objects.requireNonNull(length, "length");
            }
        }
    }
}
