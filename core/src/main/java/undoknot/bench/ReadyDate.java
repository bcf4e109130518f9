package undoknot.bench;

import java.util.Arrays;
import java.util.List;
import java.util.Random;
import undoknot.plan.Forecast;

/**
 * By when a head that has just come is ready nine times in ten. The ways it may go are played through, each with the hands that are free
 * in the shop's hours; then what earlier heads really took, against what was reckoned for them, stretches or shortens it.
 *
 * @param reckoned minutes from now by the plan alone
 * @param by minutes from now that nine in ten keep
 * @param half minutes from now by which half are ready
 * @param cases earlier heads that it was set against
 * @param byRecord whether there were enough of them; else it is the plan alone
 */
public record ReadyDate(int reckoned, int by, int half, int cases, boolean byRecord) {

    /** Share of heads that keep what is promised. */
    public static final double NINE_IN_TEN = 0.9;

    private static final double HALF = 0.5;

    /** Fewer cases than this say nothing about one in ten. */
    public static final int ENOUGH = 20;

    private static final int PLAYS = 400;

    /** How far hands differ from what is usual, as the spread of a logarithm: two in three between 0.7 and 1.4 times. An assumption. */
    private static final double SPREAD = 0.35;

    private static final int DAY = 24 * 60;

    /**
     * @param ways what it may turn out to be, and what would then be done
     * @param around what goes before and after, whatever comes
     * @param free when somebody is there with nothing else to do, in order
     * @param ratios what earlier heads really took, divided by what was {@link #reckoned} for them
     * @param seed of the plays; the same seed says the same
     */
    public static ReadyDate of(
            List<Forecast.Way> ways, Forecast.Turn around, List<Window> free, List<Double> ratios, long seed) {
        Random random = new Random(seed);
        int[] ready = new int[PLAYS];
        for (int i = 0; i < PLAYS; i++) {
            ready[i] = play(ways, around, free, random);
        }
        Arrays.sort(ready);
        int reckoned = Math.max(1, ready[(int) Math.ceil(NINE_IN_TEN * PLAYS) - 1]);
        boolean enough = ratios.size() >= ENOUGH;
        int by = enough ? (int) Math.ceil(reckoned * ofRecord(ratios, NINE_IN_TEN)) : reckoned;
        int half = enough ? (int) Math.ceil(reckoned * ofRecord(ratios, HALF)) : ready[PLAYS / 2 - 1];
        return new ReadyDate(reckoned, by, half, ratios.size(), enough);
    }

    /** The ratio that such a share of the cases and the next one keep: of n sorted ones the (n + 1) · share-th, rounded up. */
    private static double ofRecord(List<Double> ratios, double share) {
        double[] sorted =
                ratios.stream().mapToDouble(Double::doubleValue).sorted().toArray();
        int rank = (int) Math.ceil(share * (sorted.length + 1));
        return sorted[Math.min(rank, sorted.length) - 1];
    }

    private static int play(List<Forecast.Way> ways, Forecast.Turn around, List<Window> free, Random random) {
        double pick = random.nextDouble();
        Forecast.Way way = ways.get(ways.size() - 1);
        for (Forecast.Way one : ways) {
            pick -= one.weight();
            if (pick < 0) {
                way = one;
                break;
            }
        }
        double at = turn(0, around.handsMinutes() / 2, around.waitMinutes(), free, random);
        for (Forecast.Turn turn : way.turns()) {
            at = turn(at, turn.handsMinutes(), turn.waitMinutes(), free, random);
            if (random.nextDouble() < turn.chance()) {
                break;
            }
        }
        return (int) Math.ceil(turn(at, around.handsMinutes() / 2, 0, free, random));
    }

    /** A wait is begun and ended by hands. */
    private static double turn(double from, double hands, double waits, List<Window> free, Random random) {
        double takes = hands * Math.exp(SPREAD * random.nextGaussian());
        return work(work(from, takes / 2, free) + waits, takes / 2, free);
    }

    /** When so many minutes of hands are done. */
    private static double work(double from, double minutes, List<Window> free) {
        double left = minutes;
        double at = from;
        for (Window window : free) {
            if (window.until() <= at || left <= 0) {
                continue;
            }
            double start = Math.max(at, window.from());
            double room = window.until() - start;
            if (left <= room) {
                return start + left;
            }
            left -= room;
            at = window.until();
        }
        // So far ahead that nobody promises it: what is left takes days.
        return left <= 0 ? at : at + DAY * Math.ceil(left / 60);
    }
}
