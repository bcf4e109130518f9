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
import java.util.Set;
import java.util.stream.Collectors;
import undoknot.diagnosis.Cause;
import undoknot.diagnosis.Ranking;
import undoknot.head.Family;
import undoknot.head.StarterFamilies;
import undoknot.simulator.Fault;
import undoknot.simulator.Fault.Severity;
import undoknot.simulator.Noise;
import undoknot.simulator.StandInBench;

/**
 * Lets the tool judge stand-in heads: 50 for each cause, given what the customer told, a first check, one cycle and a check, and
 * at most five looks that it asks for. Counts how often the true cause ranks first, how well the chances are calibrated, and
 * what the advice does with dead drivers and with debris. Run it with {@code bench/judgement}.
 */
public final class JudgementAccuracy {

    private static final long TUNING_SEED = 50_000;
    private static final long TABLE_SEED = 12_700_000;
    private static final long SAVED_SEED = 31_400_000;
    private static final long PLANNED_SEED = 57_300_000;
    private static final int PLANNED = 250;
    private static final int HEADS = 50;
    private static final int LOOKS = 5;
    private static final int BINS = 10;
    private static final int PAIRS = 217;

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
        if (args.length > 1 && args[1].equals("saved")) {
            System.out.println(new SavedHeads(Long.parseLong(args[2]), 600, true).table());
            return;
        }
        if (args.length > 1 && args[1].equals("planned")) {
            System.out.println(new PlannedAgainstTaken(Long.parseLong(args[2]), 300).table());
            return;
        }
        run.heads();
        run.pairs();
        run.calibration();
        if (!tuning) {
            run.text.append("\n").append(new SavedHeads(SAVED_SEED, 600, false).table());
            run.text.append(new PlannedAgainstTaken(PLANNED_SEED, PLANNED).table());
        }
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
        return new StandInBench(family, List.of(new Fault(cause, severity, channel)), random.nextLong(), Noise.HARD);
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
                ranking.causes().forEach(l -> count(l, l.cause() == cause));
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
    }

    /** Heads with two faults: both should be suspected. */
    private void pairs() {
        int pairs = 0;
        int firstThree = 0;
        int leads = 0;
        for (long n = seed; pairs < PAIRS; n++) {
            TrialHead head = TrialHead.of(n);
            if (head.faults().size() < 2) {
                continue;
            }
            pairs++;
            StandInBench bench = head.bench();
            bench.check();
            bench.cycleAndCheck();
            bench.lookWhereTold(LOOKS);
            Ranking ranking = bench.ranking();
            Set<Cause> top = ranking.causes().stream()
                    .limit(3)
                    .map(Ranking.Likely::cause)
                    .collect(Collectors.toSet());
            firstThree += top.containsAll(head.causes()) ? 1 : 0;
            leads += head.causes().contains(ranking.leading().cause()) ? 1 : 0;
            if (isTuning && !top.containsAll(head.causes())) {
                System.out.println("PAIR " + head.faults() + " led by "
                        + ranking.causes().stream()
                                .limit(4)
                                .map(l -> l.cause() + String.format(Locale.ROOT, " %.2f", l.probability()))
                                .toList()
                        + " "
                        + bench.visit().steps().stream()
                                .filter(s -> s instanceof undoknot.visit.Step.Found)
                                .map(s -> ((undoknot.visit.Step.Found) s)
                                                .observation()
                                                .sign() + "")
                                .toList());
                head.causes().forEach(c -> System.out.println("    " + c + " " + why(ranking.of(c))));
            }
            ranking.causes().forEach(l -> count(l, head.causes().contains(l.cause())));
        }
        row(
                "two at once",
                "" + pairs,
                percent(leads, pairs) + " led by one of them",
                "",
                "",
                "**" + percent(firstThree, pairs) + "** both among the first three");
    }

    private void calibration() {
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

    private void count(Ranking.Likely likely, boolean isTrue) {
        double p = likely.probability();
        brier += (p - (isTrue ? 1 : 0)) * (p - (isTrue ? 1 : 0));
        chances++;
        int bin = Math.min(BINS - 1, (int) (p * BINS));
        inBin[bin]++;
        saidInBin[bin] += p;
        trueInBin[bin] += isTrue ? 1 : 0;
    }

    private void row(String... cells) {
        text.append("| ").append(String.join(" | ", cells)).append(" |\n");
    }

    private static String percent(int part, int of) {
        return of == 0 ? "" : String.format(Locale.ROOT, "%.1f %%", 100.0 * part / of);
    }
}
