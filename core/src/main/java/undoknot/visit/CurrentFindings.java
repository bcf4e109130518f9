package undoknot.visit;

import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import undoknot.observation.Look;
import undoknot.observation.Observation;
import undoknot.observation.Sign;
import undoknot.treatment.Method;
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
                standing.values().removeIf(o -> worked.method() == Method.STRIP && o.sign() == Sign.ALIGN_UNSETTLED);
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

    /**
     * Findings that tell what was wrong: what was mended stays evidence of it, that something is fine after it was mended does
     * not say that it was fine before, and of two looks that disagree both count.
     */
    public static List<Observation> telling(VisitLog visit) {
        Set<String> mended = new HashSet<>();
        Map<String, Observation> telling = new LinkedHashMap<>();
        for (Step step : visit.steps()) {
            if (step instanceof Worked worked) {
                mended.addAll(mendedBy(worked));
            } else if (step instanceof Found found) {
                Observation o = found.observation();
                boolean late = Look.making(o.sign())
                        .filter(look -> look.fine() == o.sign() && mended.contains(look + "/" + o.channel()))
                        .isPresent();
                if (!late) {
                    telling.putIfAbsent(o.sign() + "/" + o.channel(), o);
                }
            }
        }
        return List.copyOf(telling.values());
    }

    /** Bad findings that were mended and that nobody has looked at since; the latest of each look and channel. */
    public static List<Observation> mendedUnseen(VisitLog visit) {
        return List.copyOf(mended(visit, true).values());
    }

    /** Bad findings that were mended and not made again since; the latest of each look and channel. */
    public static List<Observation> mended(VisitLog visit) {
        return List.copyOf(mended(visit, false).values());
    }

    /** @param unseen whether a look that finds it fine ends it as well */
    private static Map<String, Observation> mended(VisitLog visit, boolean unseen) {
        Map<String, Observation> bad = new LinkedHashMap<>();
        Map<String, Observation> mended = new LinkedHashMap<>();
        for (Step step : visit.steps()) {
            if (step instanceof Worked worked) {
                Set<String> reached = mendedBy(worked);
                bad.forEach((key, o) -> {
                    if (reached.contains(key)) {
                        mended.put(key, o);
                    }
                });
                bad.keySet().removeAll(reached);
            } else if (step instanceof Found found) {
                Observation o = found.observation();
                Look.making(o.sign()).ifPresent(look -> {
                    String key = look + "/" + o.channel();
                    boolean fine = look.fine() == o.sign();
                    bad.remove(key);
                    if (unseen || !fine) {
                        mended.remove(key);
                    }
                    if (!fine) {
                        bad.put(key, o);
                    }
                });
            }
        }
        return mended;
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
