package undoknot.sitting;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import undoknot.treatment.Method;

/**
 * Parts that are cleaned, refilled or replaced by themselves, each counted for itself (handbook 8).
 */
public enum Part {
    //            per channel  acts                               limit  method by which it is usually logged
    DAMPER(true, Set.of(Act.CLEANED, Act.REPLACED), 2, Method.DAMPER),
    CARTRIDGE(true, Set.of(Act.REFILLED, Act.VENTED, Act.RESEATED, Act.REPLACED), 2, Method.CARTRIDGE),
    SEAL(true, Set.of(Act.CLEANED, Act.REPLACED), null, Method.PARTS),
    O_RING(true, Set.of(Act.CLEANED, Act.REPLACED), null, Method.PARTS),
    SPITTOON(false, Set.of(Act.CLEANED, Act.REPLACED), null, Method.STATION),
    WIPER(false, Set.of(Act.CLEANED, Act.REPLACED), null, Method.STATION),
    CAP(false, Set.of(Act.CLEANED, Act.REPLACED), null, Method.STATION),
    SPONGE(false, Set.of(Act.CLEANED, Act.REPLACED), null, Method.STATION),
    DRAIN(false, Set.of(Act.CLEANED, Act.REPLACED), null, Method.STATION),
    WASTE_STORE(false, Set.of(Act.CLEANED, Act.REPLACED), null, Method.PARTS),
    STRIP(false, Set.of(Act.CLEANED, Act.REPLACED), null, Method.STRIP),
    MANIFOLD(false, Set.of(Act.CLEANED, Act.REPLACED), null, Method.PARTS);

    /** What can be done to a part. */
    public enum Act {
        CLEANED,
        REFILLED,
        /** A vent opened until the sponge was wet, then closed. */
        VENTED,
        RESEATED,
        REPLACED
    }

    private final boolean perChannel;
    private final Set<Act> acts;
    private final Integer limit;
    private final Method method;

    Part(boolean perChannel, Set<Act> acts, Integer limit, Method method) {
        this.perChannel = perChannel;
        this.acts = acts;
        this.limit = limit;
        this.method = method;
    }

    /** Whether every channel has its own. */
    public boolean isPerChannel() {
        return perChannel;
    }

    /** What can be done to it, in the order of effort. */
    public List<Act> acts() {
        return Arrays.stream(Act.values()).filter(acts::contains).toList();
    }

    /** How often the same one is cleaned or refilled before it is replaced; null when nothing says so. */
    public Integer limit() {
        return limit;
    }

    /** The work it is usually done with. */
    public Method method() {
        return method;
    }

    /** The part of a channel that a method is about; empty where it is about none. */
    public static Optional<Part> ofChannel(Method method) {
        return of(method).stream().filter(Part::isPerChannel).findFirst();
    }

    /** Parts that are done with a method. */
    public static List<Part> of(Method method) {
        return Arrays.stream(values()).filter(p -> p.method == method).toList();
    }
}
