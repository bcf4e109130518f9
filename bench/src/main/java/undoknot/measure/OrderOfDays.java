package undoknot.measure;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import undoknot.bench.Bench;
import undoknot.bench.DayCheck;
import undoknot.bench.DaySolver;
import undoknot.bench.Proposed;
import undoknot.simulator.TrialBench;
import undoknot.simulator.TrialShop;

/** Days of made-up benches against heads taken as they come and against what the solver proves; and promises of a made-up shop. */
final class OrderOfDays {

    private static final int[] SIZES = {10, 20, 40, 80};
    private static final int VISITS = 500;
    private static final int LEARNING = 120;
    private static final double MINUTES_PER_HOUR = 60;

    private OrderOfDays() {}

    private record One(Proposed proposed, double seconds, int broken) {
        boolean isBest() {
            return proposed.score().late() <= proposed.lateBound();
        }
    }

    /**
     * Arguments: file to write, benches of each size, seed.
     *
     * @throws IOException when the file cannot be written
     */
    public static void main(String[] args) throws IOException {
        int benches = Integer.parseInt(args[1]);
        long seed = Long.parseLong(args[2]);
        // What the machine learns at its first days is no day's time.
        for (int i = 0; i < 3; i++) {
            DaySolver.propose(TrialBench.of(seed - 1 - i, 20), DaySolver.Effort.USUAL);
        }
        List<String> lines = new ArrayList<>(List.of(
                "| heads | late as they come, h | late as proposed, h | no day below, h | proved best | ready sooner, h a head"
                        + " | seconds, half / worst | searched to the end | worse than as they come | rules broken |",
                "|---|---|---|---|---|---|---|---|---|---|"));
        for (int heads : SIZES) {
            lines.add(row(heads, benches, seed));
            System.out.println(lines.get(lines.size() - 1));
        }
        lines.add("");
        lines.add("| hands take, times as long | attempts suffice, times as often | a head every, min | kept of "
                + VISITS + " |");
        lines.add("|---|---|---|---|");
        for (TrialShop.Truth truth : List.of(
                new TrialShop.Truth(1, 1, 150),
                new TrialShop.Truth(1.5, 0.8, 240),
                new TrialShop.Truth(0.8, 1.1, 120),
                new TrialShop.Truth(1.2, 0.6, 300))) {
            lines.add(promises(truth, seed));
            System.out.println(lines.get(lines.size() - 1));
        }
        Path page = Path.of(args[0]);
        String text = Files.readString(page);
        int from = text.indexOf("<!-- measured -->");
        int until = text.indexOf("<!-- /measured -->");
        Files.writeString(
                page,
                text.substring(0, from) + "<!-- measured -->\n\n" + String.join("\n", lines) + "\n\n"
                        + text.substring(until));
    }

    private static String row(int heads, int benches, long seed) {
        List<One> all = new ArrayList<>();
        for (int i = 0; i < benches; i++) {
            Bench bench = TrialBench.of(seed + 1000L * heads + i, heads);
            long start = System.nanoTime();
            Proposed proposed = DaySolver.propose(bench, DaySolver.Effort.USUAL);
            double seconds = (System.nanoTime() - start) / 1e9;
            all.add(new One(
                    proposed,
                    seconds,
                    DayCheck.of(proposed.bench(), proposed.day()).size()));
        }
        double[] seconds = all.stream().mapToDouble(One::seconds).sorted().toArray();
        return String.format(
                Locale.ENGLISH,
                "| %d | %.1f | %.1f | %.1f | %d of %d | %.1f | %.1f / %.1f | %d of %d | %d | %d |",
                heads,
                hours(all.stream()
                        .mapToDouble(o -> o.proposed.firstCome().late())
                        .toArray()),
                hours(all.stream().mapToDouble(o -> o.proposed.score().late()).toArray()),
                hours(all.stream().mapToDouble(o -> o.proposed.lateBound()).toArray()),
                all.stream().filter(One::isBest).count(),
                benches,
                hours(all.stream()
                                .mapToDouble(o -> o.proposed.firstCome().ready()
                                        - o.proposed.score().ready())
                                .toArray())
                        / heads,
                seconds[seconds.length / 2],
                seconds[seconds.length - 1],
                all.stream().filter(o -> o.proposed.isRepeatable()).count(),
                benches,
                all.stream()
                        .filter(o -> o.proposed.score().compareTo(o.proposed.firstCome()) > 0)
                        .count(),
                all.stream().mapToInt(One::broken).sum());
    }

    private static double hours(double[] minutes) {
        return Arrays.stream(minutes).average().orElse(0) / MINUTES_PER_HOUR;
    }

    private static String promises(TrialShop.Truth truth, long seed) {
        List<TrialShop.Kept> all = TrialShop.run(seed, LEARNING + VISITS, truth);
        double kept = all.subList(LEARNING, all.size()).stream()
                        .filter(TrialShop.Kept::isKept)
                        .count()
                / (double) VISITS;
        return String.format(
                Locale.ENGLISH,
                "| %.1f | %.1f | %.0f | %.1f %% |",
                truth.hands(),
                truth.chance(),
                truth.gap(),
                100 * kept);
    }
}
