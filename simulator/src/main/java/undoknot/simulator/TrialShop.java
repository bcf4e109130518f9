package undoknot.simulator;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Random;
import undoknot.bench.ReadyDate;
import undoknot.bench.Window;
import undoknot.plan.Forecast;

/**
 * A made-up shop over many weeks: heads come in, are promised, and are ready when they are. What really happens differs from what is
 * planned: work takes longer, attempts suffice less often, and other heads stand in the way.
 */
public final class TrialShop {

    private static final int DAY = 24 * 60;
    private static final int OPENS = 8 * 60;
    private static final int CLOSES = 17 * 60;
    private static final int DAYS = 400;
    private static final int PEOPLE = 2;
    private static final double SPREAD = 0.45;

    private final Random random;
    private final Truth truth;
    private final BitSet[] planned = hours();
    private final BitSet[] real = hours();
    private final List<Kept> kept = new ArrayList<>();

    private TrialShop(long seed, Truth truth) {
        this.random = new Random(seed);
        this.truth = truth;
    }

    /**
     * How what happens differs from what is planned.
     *
     * @param hands times as long as planned
     * @param chance times as likely as planned that an attempt suffices
     * @param gap minutes between two heads that come in, on average
     */
    public record Truth(double hands, double chance, double gap) {}

    /**
     * A head that was promised.
     *
     * @param at minute of its take-in
     * @param ready minute at which it was
     */
    public record Kept(int at, ReadyDate said, int ready) {
        public boolean isKept() {
            return ready <= at + said.by();
        }

        private double ratio() {
            return (ready - at) / (double) said.reckoned();
        }
    }

    /** @return so many visits, in the order in which they came */
    public static List<Kept> run(long seed, int visits, Truth truth) {
        TrialShop shop = new TrialShop(seed, truth);
        int at = OPENS;
        for (int i = 0; i < visits; i++) {
            at = shop.open(at + (int) Math.ceil(-truth.gap * Math.log(1 - shop.random.nextDouble())));
            shop.takeIn(at);
        }
        return shop.kept;
    }

    private static boolean isOpen(int day) {
        return day % 7 < 5;
    }

    private static BitSet[] hours() {
        BitSet[] free = new BitSet[PEOPLE];
        for (int p = 0; p < PEOPLE; p++) {
            free[p] = new BitSet(DAYS * DAY);
            for (int day = 0; day < DAYS; day++) {
                if (isOpen(day)) {
                    free[p].set(day * DAY + OPENS, day * DAY + CLOSES);
                }
            }
        }
        return free;
    }

    private int open(int minute) {
        int at = minute;
        while (!isOpen(at / DAY) || at % DAY < OPENS || at % DAY >= CLOSES) {
            at++;
        }
        return at;
    }

    private void takeIn(int at) {
        List<Forecast.Way> ways = ways();
        Forecast.Turn around = turn(15, 0, 0);
        List<Double> record =
                kept.stream().filter(k -> k.ready <= at).map(Kept::ratio).toList();
        ReadyDate said = ReadyDate.of(ways, around, free(at), record, at);
        plan(at, ways.get(0), around);
        kept.add(new Kept(at, said, happen(at, ways, around)));
    }

    private List<Forecast.Way> ways() {
        List<Forecast.Way> ways = new ArrayList<>();
        double first = 0.4 + random.nextDouble() * 0.3;
        for (double weight : new double[] {first, (1 - first) * 0.7, (1 - first) * 0.3}) {
            List<Forecast.Turn> turns = new ArrayList<>();
            for (int t = 0; t < 2 + random.nextInt(3); t++) {
                double waits = List.of(15.0, 40.0, 180.0, 720.0, 1440.0).get(random.nextInt(5));
                turns.add(turn(15 + random.nextInt(45), waits, 0.3 + random.nextDouble() * 0.4));
            }
            ways.add(new Forecast.Way(weight, turns));
        }
        return ways;
    }

    private static Forecast.Turn turn(double hands, double waits, double chance) {
        return new Forecast.Turn(hands, waits, 0, 0, chance, chance, chance);
    }

    /** What the shop thinks is free: the hours less what the heads before were planned to take. */
    private List<Window> free(int at) {
        BitSet any = new BitSet();
        for (BitSet one : planned) {
            any.or(one);
        }
        List<Window> windows = new ArrayList<>();
        for (int from = any.nextSetBit(at); from >= 0 && from < at + 60 * DAY; ) {
            int until = any.nextClearBit(from);
            windows.add(new Window(from - at, until - at));
            from = any.nextSetBit(until);
        }
        return windows;
    }

    private void plan(int at, Forecast.Way way, Forecast.Turn around) {
        double minute = work(planned, at, around.handsMinutes() / 2);
        double open = 1;
        for (Forecast.Turn turn : way.turns()) {
            minute = work(planned, minute, turn.handsMinutes() / 2);
            minute = work(planned, minute + turn.waitMinutes(), turn.handsMinutes() / 2);
            open *= 1 - turn.chance();
            if (open < 0.5) {
                break;
            }
        }
        work(planned, minute, around.handsMinutes() / 2);
    }

    private int happen(int at, List<Forecast.Way> ways, Forecast.Turn around) {
        double pick = random.nextDouble();
        Forecast.Way way = pick < ways.get(0).weight() ? ways.get(0) : ways.get(1 + random.nextInt(2));
        double minute = work(real, at, really(around.handsMinutes() / 2));
        for (Forecast.Turn turn : way.turns()) {
            minute = work(real, minute, really(turn.handsMinutes() / 2));
            minute = work(
                    real,
                    minute + turn.waitMinutes() * (1 + 0.2 * random.nextDouble()),
                    really(turn.handsMinutes() / 2));
            if (random.nextDouble() < turn.chance() * truth.chance) {
                break;
            }
        }
        return (int) Math.ceil(work(real, minute, really(around.handsMinutes() / 2)));
    }

    private double really(double minutes) {
        return minutes * truth.hands * Math.exp(SPREAD * random.nextGaussian());
    }

    /** The first who has so long without a break does it; longer work is done in parts. */
    private static double work(BitSet[] free, double from, double minutes) {
        int at = (int) Math.ceil(from);
        int left = (int) Math.ceil(minutes);
        while (left > 0) {
            int best = Integer.MAX_VALUE;
            BitSet who = null;
            for (BitSet one : free) {
                int next = one.nextSetBit(at);
                if (next >= 0 && next < best) {
                    best = next;
                    who = one;
                }
            }
            if (who == null) {
                throw new IllegalStateException("the shop has no hours left");
            }
            int end = Math.min(who.nextClearBit(best), best + left);
            who.clear(best, end);
            left -= end - best;
            at = end;
        }
        return at;
    }
}
