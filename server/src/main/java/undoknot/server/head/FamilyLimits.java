package undoknot.server.head;

import java.util.Map;
import undoknot.head.Limits;

/** Limits that the shop has set for a family instead of those of its construction. */
@FunctionalInterface
public interface FamilyLimits {

    /** By family code; a family that is not in it has the limits of its construction. */
    Map<String, Limits> limits();
}
