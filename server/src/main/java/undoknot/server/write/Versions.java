package undoknot.server.write;

import java.util.Objects;
import java.util.function.Supplier;
import undoknot.server.problem.Refused;

/** Holds the version that a change was made from against the one that stands. */
public final class Versions {

    private Versions() {}

    /**
     * @param current version that stands
     * @param seen version that the client saw, null when it meant to create
     * @param both what stands, for the problem
     * @throws Refused with both versions when somebody was faster
     */
    public static void check(Long current, Long seen, Supplier<Object> both, Object yours) {
        if (!Objects.equals(current, seen)) {
            throw Refused.conflict(both.get(), yours);
        }
    }
}
