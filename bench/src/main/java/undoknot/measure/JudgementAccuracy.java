package undoknot.measure;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import undoknot.advice.Advice;
import undoknot.advice.Advice.Act;
import undoknot.diagnosis.Cause;
import undoknot.diagnosis.Ranking;
import undoknot.head.Family;
import undoknot.head.StarterFamilies;
import undoknot.simulator.Fault;
import undoknot.simulator.Fault.Severity;
import undoknot.simulator.StandInBench;

/**
 * Lets the tool judge stand-in heads: 50 for each cause, given what the customer told, a first check, one cycle and a check, and
 * at most five looks that it asks for. Counts how often the true cause ranks first, how well the chances are calibrated, and
 * what the advice does with dead drivers and with debris. Run it with {@code bench/judgement}.
 */
public final class JudgementAccuracy {

    private static final long TUNING_SEED = 50_000;
    private static final long TABLE_SEED = 12_700_000;
    private static final int HEADS = 50;
    private static final int LOOKS = 5;
    private static final int BINS = 10;
    private static final int STEPS = 150;

    private static final String START = "<!-- table: made by bench/judgement -->";
    private static final String END = "<!-- end of table -->";

    private final long seed;
    private final boolean isTuning;
    private final StringBuilder text = new StringBuilder();
    private double brier;
    private int chances;
    private final int[] inBin = new int[BINS];
    private final int[] trueInBin = new int[BINS];
    private final double[] saidInBin = new double[BINS];

    private JudgementAccuracy(long seed, boolean isTuning) {
        this.seed = seed;
        this.isTuning = isTuning;
    }

    public static void main(String[] args) throws IOException {
        boolean tuning = args.length > 0 && args[0].equals("tuning");
        JudgementAccuracy run = new JudgementAccuracy(tuning ? TUNING_SEED : TABLE_SEED, tuning);
        run.heads();
        run.advice();
        System.out.println(run.text);
        if (!tuning) {
            write(Path.of(args[1]), run.text.toString());
        }
    }

    private static void write(Path page, String table) throws IOException {
        String old = Files.readString(page);
        Files.writeString(
                page,
                old.substring(0, old.indexOf(START) + START.length()) + "\n" + table + old.substring(old.indexOf(END)));
    }

    private StandInBench bench(Cause cause, int n) {
        Random random = new Random(seed + cause.ordinal() * 1_000L + n);
        Family family = StarterFamilies.ALL.get(n % StarterFamilies.ALL.size());
        Severity severity = Severity.values()[random.nextInt(Severity.values().length)];
        String channel =
                family.channels().get(random.nextInt(family.channels().size())).code();
        return new StandInBench(family, new Fault(cause, severity, channel), random.nextLong());
    }

    private void heads() {
        text.append("| true cause | heads | ranked first | chance given to it | looks taken | taken for |\n");
        text.append("|---|---|---|---|---|---|\n");
        int all = 0;
        int first = 0;
        for (Cause cause : Cause.values()) {
            int right = 0;
            int looks = 0;
            double given = 0;
            Map<Cause, Integer> instead = new EnumMap<>(Cause.class);
            for (int n = 0; n < HEADS; n++) {
                StandInBench bench = bench(cause, n);
                bench.check();
                bench.cycleAndCheck();
                looks += bench.lookWhereTold(LOOKS);
                Ranking ranking = bench.ranking();
                count(ranking, cause);
                given += ranking.of(cause).probability();
                Cause leading = ranking.leading().cause();
                right += leading == cause ? 1 : 0;
                if (leading != cause) {
                    instead.merge(leading, 1, Integer::sum);
                    if (isTuning) {
                        System.out.println(cause + " " + n + " taken for " + leading + ": "
                                + bench.visit().steps().stream()
                                        .filter(s -> s instanceof undoknot.visit.Step.Found)
                                        .map(s -> ((undoknot.visit.Step.Found) s)
                                                        .observation()
                                                        .sign() + "")
                                        .toList()
                                + " true: " + why(ranking.of(cause)) + " led: " + why(ranking.leading()));
                    }
                }
            }
            all += HEADS;
            first += right;
            row(
                    cause.name(),
                    "" + HEADS,
                    percent(right, HEADS),
                    String.format(Locale.ROOT, "%.2f", given / HEADS),
                    String.format(Locale.ROOT, "%.1f", (double) looks / HEADS),
                    instead.isEmpty() ? "" : instead.toString().replaceAll("[{}]", ""));
        }
        row("**all**", "" + all, "**" + percent(first, all) + "**", "", "", "");
        text.append("\nBrier score over all causes of all heads: ")
                .append(String.format(Locale.ROOT, "%.4f", brier / chances))
                .append(" (always saying the share of heads that have the cause: ")
                .append(String.format(
                        Locale.ROOT, "%.4f", 1.0 / Cause.values().length * (1 - 1.0 / Cause.values().length)))
                .append(").\n\n| chance given | times | said on average | true |\n|---|---|---|---|\n");
        for (int b = 0; b < BINS; b++) {
            row(
                    10 * b + " to " + 10 * (b + 1) + " %",
                    "" + inBin[b],
                    inBin[b] == 0 ? "" : String.format(Locale.ROOT, "%.1f %%", 100 * saidInBin[b] / inBin[b]),
                    percent(trueInBin[b], inBin[b]));
        }
    }

    private static String why(Ranking.Likely likely) {
        List<String> parts = new ArrayList<>();
        likely.reasons().forEach(r -> parts.add(r.observation().sign() + "×" + r.weight()));
        return String.format(Locale.ROOT, "%.2f ", likely.probability()) + parts;
    }

    private void count(Ranking ranking, Cause truth) {
        for (Ranking.Likely likely : ranking.causes()) {
            double p = likely.probability();
            boolean isTrue = likely.cause() == truth;
            brier += (p - (isTrue ? 1 : 0)) * (p - (isTrue ? 1 : 0));
            chances++;
            int bin = Math.min(BINS - 1, (int) (p * BINS));
            inBin[bin]++;
            saidInBin[bin] += p;
            trueInBin[bin] += isTrue ? 1 : 0;
        }
    }

    /** Follows the advice to its end. */
    private void advice() {
        text.append("\n| followed to the end | heads | ");
        text.append(
                "ends as | works on nozzles after two unchanged rounds with all looks taken |\n|---|---|---|---|\n");
        for (Cause cause : Cause.values()) {
            Map<String, Integer> ends = new TreeMap<>();
            int cleaned = 0;
            for (int n = 0; n < HEADS; n++) {
                StandInBench bench = bench(cause, n);
                Advice advice = null;
                int steps = 0;
                do {
                    advice = bench.judge().advice().first();
                    boolean due =
                            bench.judge().advice().others().stream().anyMatch(a -> a.act() == Act.STOP_ELECTRICAL);
                    cleaned +=
                            due && advice.act() == Act.WORK && advice.method().fluidUse() != null ? 1 : 0;
                } while (++steps < STEPS && bench.follow(advice));
                String end = steps >= STEPS ? "goes on" : advice.act().name();
                ends.merge(end, 1, Integer::sum);
                if (isTuning && (steps >= STEPS || cause == Cause.FACE_DEBRIS && advice.act() == Act.STOP_ELECTRICAL)) {
                    System.out.println("END " + cause + " " + n + " " + end + " "
                            + bench.visit().steps().stream()
                                    .filter(s -> s instanceof undoknot.visit.Step.Worked)
                                    .map(s -> ((undoknot.visit.Step.Worked) s).method())
                                    .toList());
                }
            }
            row(cause.name(), "" + HEADS, ends.toString().replaceAll("[{}]", ""), "" + cleaned);
        }
    }

    private void row(String... cells) {
        text.append("| ").append(String.join(" | ", cells)).append(" |\n");
    }

    private static String percent(int part, int of) {
        return of == 0 ? "" : String.format(Locale.ROOT, "%.1f %%", 100.0 * part / of);
    }
}
