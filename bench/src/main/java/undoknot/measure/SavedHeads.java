package undoknot.measure;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.IntStream;
import undoknot.advice.Advice.Act;
import undoknot.measure.TrialHead.Course;
import undoknot.visit.Step;

/** Follows the advice on heads to its end, and holds it against two recipes and against somebody who knows what is wrong. */
final class SavedHeads {

    private final List<TrialHead> heads;
    private final boolean isTuning;
    private final StringBuilder text = new StringBuilder();

    SavedHeads(long seed, int count, boolean isTuning) {
        this.heads =
                IntStream.range(0, count).mapToObj(n -> TrialHead.of(seed + n)).toList();
        this.isTuning = isTuning;
    }

    private record Case(TrialHead head, Course advised, Course known, Course cycles, Course soak) {
        boolean recoverable() {
            return known.saved() || advised.saved();
        }
    }

    String table() {
        List<Case> cases = heads.parallelStream()
                .map(h -> new Case(h, h.advised(), h.known(), h.byRecipe(false), h.byRecipe(true)))
                .toList();
        List<Case> recoverable = cases.stream().filter(Case::recoverable).toList();
        List<Case> others = cases.stream().filter(c -> !c.recoverable()).toList();
        long saved = recoverable.stream().filter(c -> c.advised.saved()).count();
        row("what", "count", "of", "share");
        text.append("|---|---|---|---|\n");
        share(
                "heads that can be recovered, saved by the advice (95 % interval " + interval(saved, recoverable.size())
                        + ")",
                saved,
                recoverable.size());
        share(
                "the same by three cycles, then 30 mL a channel",
                recoverable.stream().filter(c -> c.cycles.saved()).count(),
                recoverable.size());
        share(
                "the same by a soak overnight, then 30 mL a channel",
                recoverable.stream().filter(c -> c.soak.saved()).count(),
                recoverable.size());
        share(
                "the same by somebody who knows the cause",
                recoverable.stream().filter(c -> c.known.saved()).count(),
                recoverable.size());
        share(
                "harmed",
                cases.stream()
                        .filter(c -> c.advised.bench().head().harmed() > 0)
                        .count(),
                cases.size());
        share(
                "finished, and something is still wrong",
                cases.stream()
                        .filter(c -> c.advised.finished() && !c.advised.sound())
                        .count(),
                cases.size());
        share(
                "given up though it could be saved",
                recoverable.stream()
                        .filter(c -> !c.advised.finished() && !c.advised.endless())
                        .count(),
                recoverable.size());
        share("goes on and on", cases.stream().filter(c -> c.advised.endless()).count(), cases.size());
        int[] tried =
                others.stream().mapToInt(c -> c.advised.attempts()).sorted().toArray();
        row(
                "attempts on heads that cannot be recovered: median, most",
                "" + median(tried),
                "" + (tried.length == 0 ? 0 : tried[tried.length - 1]),
                "");
        List<Case> both = recoverable.stream()
                .filter(c -> c.advised.saved() && (c.cycles.saved() || c.soak.saved()))
                .toList();
        if (isTuning) {
            Map<String, Integer> spent = new TreeMap<>();
            both.forEach(c -> c.advised.bench().visit().steps().forEach(s -> {
                if (s instanceof Step.Worked w) {
                    spent.merge(w.method().name(), w.method().handsMinutes(), Integer::sum);
                } else if (s instanceof Step.Found f) {
                    undoknot.observation.Look.making(f.observation().sign())
                            .ifPresent(l -> spent.merge("look " + l, l.minutes(), Integer::sum));
                } else if (s instanceof Step.Checked) {
                    spent.merge("check", 2, Integer::sum);
                }
            }));
            System.out.println("HANDS " + both.size() + " " + spent);
        }
        compare("mL of fluid", both, true);
        compare("minutes of hands", both, false);
        ends(cases);
        if (isTuning) {
            cases.forEach(SavedHeads::tell);
        }
        return text.toString();
    }

    private void ends(List<Case> cases) {
        text.append("\n| true cause | heads | can be recovered | saved | ends as |\n|---|---|---|---|---|\n");
        Map<String, List<Case>> by = new TreeMap<>();
        for (Case c : cases) {
            String name = c.head.faults().size() > 1
                    ? "two at once"
                    : c.head.faults().get(0).cause().name();
            by.computeIfAbsent(name, k -> new ArrayList<>()).add(c);
        }
        by.forEach((name, own) -> {
            Map<Act, Integer> ends = new TreeMap<>();
            own.forEach(c -> ends.merge(c.advised.last().act(), 1, Integer::sum));
            row(
                    name,
                    "" + own.size(),
                    "" + own.stream().filter(Case::recoverable).count(),
                    "" + own.stream().filter(c -> c.advised.saved()).count(),
                    ends.toString().replaceAll("[{}]", ""));
        });
    }

    private void compare(String what, List<Case> both, boolean fluid) {
        double mine = median(
                both.stream().mapToDouble(c -> cost(c.advised, fluid)).sorted().toArray());
        double best = median(both.stream()
                .mapToDouble(c -> Math.min(
                        c.cycles.saved() ? cost(c.cycles, fluid) : Double.MAX_VALUE,
                        c.soak.saved() ? cost(c.soak, fluid) : Double.MAX_VALUE))
                .sorted()
                .toArray());
        row(
                "median " + what + " on heads that both save: advice, better recipe",
                String.format(Locale.ROOT, "%.0f", mine),
                String.format(Locale.ROOT, "%.0f", best),
                best == 0 ? "" : String.format(Locale.ROOT, "%.0f %%", 100 * mine / best));
    }

    private static double cost(Course course, boolean fluid) {
        return fluid ? course.bench().fluidMl() : course.bench().handsMinutes();
    }

    private static void tell(Case c) {
        String wrong = c.recoverable() && !c.advised.saved()
                ? "LOST"
                : c.advised.finished() && !c.advised.sound()
                        ? "UNSOUND"
                        : c.advised.endless() ? "ENDLESS" : c.advised.attempts() > 12 ? "LONG" : null;
        if (wrong == null) {
            return;
        }
        List<String> done = new ArrayList<>();
        for (Step step : c.advised.bench().visit().steps()) {
            if (step instanceof Step.Worked w) {
                done.add(w.method() + "" + w.treatment().channels());
            } else if (step instanceof Step.Found f) {
                done.add(f.observation().sign()
                        + (f.observation().channel() == null
                                ? ""
                                : "/" + f.observation().channel()));
            } else if (step instanceof Step.Checked k) {
                done.add(k.map() == null ? "x" : "" + k.map().count(undoknot.nozzle.NozzleState.MISSING));
            }
        }
        System.out.println(wrong + " " + c.head.seed() % 10000 + " "
                + c.head.family().code() + " " + c.head.faults() + " ends "
                + c.advised.last().act() + "/" + c.advised.last().rule() + " told "
                + c.advised.bench().visit().told().stream()
                        .map(o -> o.sign().name())
                        .toList() + "\n    "
                + String.join(" ", done) + "\n    "
                + c.advised.bench().ranking().causes().stream()
                        .limit(4)
                        .map(l -> l.cause() + String.format(Locale.ROOT, " %.2f", l.probability()))
                        .toList());
    }

    private static double median(double[] sorted) {
        return sorted.length == 0 ? 0 : sorted[sorted.length / 2];
    }

    private static int median(int[] sorted) {
        return sorted.length == 0 ? 0 : sorted[sorted.length / 2];
    }

    /** Wilson's interval at 95 %. */
    private static String interval(long part, int of) {
        double z = 1.96;
        double p = (double) part / of;
        double mid = (p + z * z / (2 * of)) / (1 + z * z / of);
        double half = z * Math.sqrt(p * (1 - p) / of + z * z / (4.0 * of * of)) / (1 + z * z / of);
        return String.format(Locale.ROOT, "%.1f to %.1f %%", 100 * (mid - half), 100 * (mid + half));
    }

    private void share(String what, long part, int of) {
        row(what, "" + part, "" + of, of == 0 ? "" : String.format(Locale.ROOT, "%.1f %%", 100.0 * part / of));
    }

    private void row(String... cells) {
        text.append("| ").append(String.join(" | ", Arrays.asList(cells))).append(" |\n");
    }
}
