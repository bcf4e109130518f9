package undoknot.visit;

import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import undoknot.observation.Look;
import undoknot.observation.Observation;
import undoknot.visit.Step.Found;
import undoknot.visit.Step.Worked;

/** What of the findings of a visit still holds (handbook 6). */
public final class CurrentFindings {

    private CurrentFindings() {}

    /** Findings that still hold: a later finding of the same look replaces an earlier one, and work that mends it ends it. */
    public static List<Observation> of(VisitLog visit) {
        Map<String, Observation> standing = new LinkedHashMap<>();
        for (Step step : visit.steps()) {
            if (step instanceof Found found) {
                Observation o = found.observation();
                String what =
                        Look.making(o.sign()).map(Look::name).orElse(o.sign().name());
                standing.put(what + "/" + o.channel(), o);
            } else if (step instanceof Worked worked) {
                standing.values()
                        .removeIf(o -> Look.making(o.sign())
                                        .filter(MendedLooks.by(worked.method())::contains)
                                        .isPresent()
                                && (o.channel() == null
                                        || worked.treatment().channels().contains(o.channel())));
            }
        }
        return List.copyOf(standing.values());
    }

    /** Findings that tell what was wrong: that something is fine after it was mended does not say that it was fine before. */
    public static List<Observation> telling(VisitLog visit) {
        Set<String> mended = new HashSet<>();
        Set<Observation> late = new HashSet<>();
        for (Step step : visit.steps()) {
            if (step instanceof Worked worked) {
                mended.addAll(mendedBy(worked));
            } else if (step instanceof Found found) {
                Observation o = found.observation();
                Look.making(o.sign())
                        .filter(look -> look.fine() == o.sign() && mended.contains(look + "/" + o.channel()))
                        .ifPresent(look -> late.add(o));
            }
        }
        return of(visit).stream().filter(o -> !late.contains(o)).toList();
    }

    private static Set<String> mendedBy(Worked worked) {
        Set<String> mended = new HashSet<>();
        for (Look look : MendedLooks.by(worked.method())) {
            mended.add(look + "/null");
            worked.treatment().channels().forEach(code -> mended.add(look + "/" + code));
        }
        return mended;
    }

    /** Whether work since has mended what a look looks at, in a channel or, when null, in the whole head. */
    public static boolean isMended(VisitLog visit, Look look, String channel) {
        return visit.work().stream().anyMatch(w -> mendedBy(w).contains(look + "/" + channel));
    }
}
