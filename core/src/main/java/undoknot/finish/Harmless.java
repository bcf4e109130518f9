package undoknot.finish;

import java.util.List;
import undoknot.nozzle.Acceptance;
import undoknot.visit.VisitLog;

/**
 * Small deviations of an accepted channel: they do not matter in use, and nothing is done about them (handbook 5 and 14).
 *
 * @param out nozzles out
 * @param weak nozzles that print weak
 * @param deflected nozzles that print beside their place
 */
public record Harmless(String channel, int out, int weak, int deflected) {

    /** Channels that the last map accepts with some, in the order of the ports. */
    public static List<Harmless> of(VisitLog visit) {
        return visit.completedMap().map(visit::acceptance).stream()
                .flatMap(acceptance -> acceptance.channels().entrySet().stream())
                .filter(e -> e.getValue().verdict() == Acceptance.Verdict.MET)
                .map(e -> new Harmless(
                        e.getKey(),
                        e.getValue().out(),
                        e.getValue().weak(),
                        e.getValue().deflected()))
                .filter(h -> h.out() + h.weak() + h.deflected() > 0)
                .toList();
    }
}
