package undoknot.finish;

import java.util.List;
import undoknot.treatment.Method;
import undoknot.visit.Step.Worked;
import undoknot.visit.VisitLog;

/** Work that no check has followed yet: it is named before a head goes back (handbook 13 and 14). */
public final class Unchecked {

    private Unchecked() {}

    /** In order; what a check could not show, and what leaves the nozzles alone, waits for none. */
    public static List<Worked> of(VisitLog visit) {
        return visit.workSinceCheck().stream()
                .filter(w -> !w.method().isBesideNozzles() && w.method() != Method.STATION && w.method() != Method.REST)
                .toList();
    }
}
