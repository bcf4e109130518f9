package undoknot.observation;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import undoknot.head.Family;
import undoknot.nozzle.ChannelFeatures;
import undoknot.nozzle.ChannelMap;
import undoknot.nozzle.NozzleMap;
import undoknot.nozzle.NozzleState;
import undoknot.nozzle.Run;

/** What one nozzle map says about causes (handbook 5 and 7). */
public final class MapSigns {

    /** Fewer nozzles out say nothing about a pattern. */
    public static final int LEAST_OUT = 3;

    /** A run that makes up this share of what is out, and this share of the channel, is long. */
    private static final double RUN_OF_OUT = 0.6;

    private static final double RUN_OF_CHANNEL = 0.08;
    private static final int LEAST_RUN = 8;

    /** Debris lies in one place: the gaps keep within this share of the channel, and fill their place this densely. */
    private static final double DEBRIS_SPAN = 0.25;

    private static final double DEBRIS_DENSITY = 0.55;
    private static final int BESIDE = 3;

    /** The outer quarters of a starved channel are out this many times as often as its middle. */
    private static final double ENDS_TIMES = 2.5;

    /** Less than this may be a smear on the sheet. */
    private static final double FOREIGN_SHARE = 0.05;

    /** Fewer in one place may be chance. */
    private static final int LEAST_DENSE = 4;

    private static final int LEAST_CLUSTER = 4;
    private static final double CLUSTER_DENSITY = 0.4;
    private static final int LEAST_RUNS = 4;

    private MapSigns() {}

    /**
     * Channels whose dashes carry another channel's ink.
     *
     * @param nozzles at which it was seen, by channel
     * @param from key of the check
     */
    public static List<Observation> ofForeignInk(Map<String, Integer> nozzles, Family family, String from) {
        return family.channels().stream()
                .filter(c -> nozzles.getOrDefault(c.code(), 0) >= FOREIGN_SHARE * c.nozzles())
                .map(c -> new Observation(
                        Sign.FOREIGN_COLOUR, c.code(), Map.of(Fact.NOZZLES, nozzles.get(c.code())), from))
                .toList();
    }

    /** @param from key of the check */
    public static List<Observation> of(NozzleMap map, Family family, String from) {
        List<Observation> signs = new ArrayList<>();
        int affected = 0;
        int bent = 0;
        int read = 0;
        for (Map.Entry<String, ChannelMap> entry : map.channels().entrySet()) {
            ChannelFeatures f = ChannelFeatures.of(entry.getValue(), family.driveGroups());
            read += f.read();
            affected += f.out() >= LEAST_OUT ? 1 : 0;
            int before = signs.size();
            ofChannel(entry.getKey(), entry.getValue(), f, from, signs);
            bent += signs.subList(before, signs.size()).stream()
                            .anyMatch(o -> o.sign() == Sign.DEFLECTED_CLUSTER || o.sign() == Sign.DENSITY_STEP)
                    ? 1
                    : 0;
        }
        ofAll(affected, bent, map.channels().size(), read > 0, from).ifPresent(signs::add);
        return signs;
    }

    /**
     * What the channels of a print show together.
     *
     * @param affected channels with gaps
     * @param bent channels with other faults than gaps
     * @param all channels that were read
     * @param read whether anything was
     */
    public static Optional<Observation> ofAll(int affected, int bent, int all, boolean read, String from) {
        Sign sign = null;
        if (affected == 0 && bent == 0 && read) {
            sign = Sign.ALL_FIRING;
        } else if (all >= 3 && 3 * affected >= 2 * all) {
            sign = Sign.GAPS_IN_MOST;
        } else if (all >= 3 && affected > 0 && 3 * affected <= all) {
            sign = Sign.GAPS_IN_FEW;
        }
        return Optional.ofNullable(sign)
                .map(s -> new Observation(s, null, Map.of(Fact.CHANNELS, affected, Fact.OF, all), from));
    }

    private static void ofChannel(
            String code, ChannelMap map, ChannelFeatures f, String from, List<Observation> signs) {
        BitSet out = map.nozzles(NozzleState.MISSING);
        BitSet deflected = map.nozzles(NozzleState.DEFLECTED);
        f.densitySteps().stream()
                .limit(1)
                .forEach(step -> signs.add(new Observation(
                        Sign.DENSITY_STEP, code, Map.of(Fact.GROUP, step.group(), Fact.GROUPS, step.of()), from)));
        boolean most = f.deflected() >= LEAST_CLUSTER && f.deflected() >= 2 * f.out();
        if ((most || f.deflected() >= 2 * LEAST_CLUSTER) && density(deflected) >= CLUSTER_DENSITY) {
            signs.add(new Observation(
                    Sign.DEFLECTED_CLUSTER, code, Map.of(Fact.DEFLECTED, f.deflected(), Fact.OF, f.read()), from));
        }
        if (f.out() < LEAST_OUT) {
            return;
        }
        BitSet debris = f.filledGroups().isPresent() ? new BitSet() : debris(map, out, deflected);
        if (!debris.isEmpty()) {
            signs.add(new Observation(
                    Sign.DENSE_WITH_DEFLECTED,
                    code,
                    Map.of(
                            Fact.OUT,
                            debris.cardinality(),
                            Fact.OF,
                            f.read(),
                            Fact.RUN,
                            Run.longestIn(debris).length()),
                    from));
            out.andNot(debris);
            if (out.cardinality() < LEAST_OUT) {
                return;
            }
        }
        Sign sign = pattern(map, f, out);
        if (sign != null) {
            signs.add(new Observation(sign, code, facts(f), from));
        }
    }

    /** A short dense run with deflections on either side, whatever else is out in the channel; empty when there is none. */
    private static BitSet debris(ChannelMap map, BitSet out, BitSet deflected) {
        for (int first = out.nextSetBit(0); first >= 0; ) {
            int last = first;
            int next = out.nextSetBit(last + 1);
            while (next >= 0 && next - last <= BESIDE) {
                last = next;
                next = out.nextSetBit(last + 1);
            }
            BitSet run = out.get(0, last + 1);
            run.clear(0, first);
            int before = deflected.get(Math.max(1, first - BESIDE), first).cardinality();
            int after = deflected.get(last + 1, last + 1 + BESIDE).cardinality();
            boolean isShort = last - first + 1 <= DEBRIS_SPAN * map.size();
            if (run.cardinality() >= LEAST_OUT && isShort && density(run) >= DEBRIS_DENSITY && before + after >= 2) {
                return run;
            }
            first = next;
        }
        return new BitSet();
    }

    /** The first pattern that fits; they exclude one another. */
    private static Sign pattern(ChannelMap map, ChannelFeatures f, BitSet out) {
        if (f.whollyOut()) {
            return Sign.WHOLLY_OUT;
        }
        if (f.filledGroups().isPresent()) {
            return Sign.GROUP_FILLED;
        }
        int size = map.size();
        int first = out.nextSetBit(0);
        int last = out.length() - 1;
        boolean dense = last - first + 1 <= DEBRIS_SPAN * size && density(out) >= DEBRIS_DENSITY;
        int all = out.cardinality();
        if (dense && all >= LEAST_DENSE && all < LEAST_RUN) {
            return Sign.DENSE_RUN;
        }
        int run = Run.longestIn(out).length();
        if (run >= Math.max(LEAST_RUN, RUN_OF_CHANNEL * size) && run >= RUN_OF_OUT * all) {
            return Sign.LONG_RUN;
        }
        if (endsWorst(out, size)) {
            return Sign.ENDS_WORST;
        }
        return runs(out) >= LEAST_RUNS && run <= 0.5 * all ? Sign.SCATTERED : null;
    }

    private static Map<Fact, Integer> facts(ChannelFeatures f) {
        Map<Fact, Integer> facts = new EnumMap<>(Map.of(
                Fact.OUT, f.out(),
                Fact.OF, f.read(),
                Fact.RUN, f.longestRun().length()));
        f.filledGroups().ifPresent(g -> {
            facts.put(Fact.GROUPS, g.of());
            facts.put(Fact.FILLED, g.count());
            facts.put(Fact.GROUP, g.first());
            facts.put(Fact.LAST_GROUP, g.first() + g.count() - 1);
        });
        return facts;
    }

    private static double density(BitSet set) {
        return set.isEmpty() ? 0 : (double) set.cardinality() / (set.length() - set.nextSetBit(0));
    }

    private static boolean endsWorst(BitSet out, int size) {
        int quarter = size / 4;
        int start = out.get(1, quarter + 1).cardinality();
        int end = out.get(size - quarter + 1, size + 1).cardinality();
        int middle = out.cardinality() - start - end;
        double outer = (start + end) / (2.0 * quarter);
        double inner = middle / (double) (size - 2 * quarter);
        return out.cardinality() >= 2 * LEAST_OUT
                && outer >= ENDS_TIMES * inner
                && Math.min(start, end) >= 0.2 * (start + end);
    }

    private static int runs(BitSet out) {
        int runs = 0;
        for (int n = out.nextSetBit(0); n >= 0; n = out.nextSetBit(out.nextClearBit(n))) {
            runs++;
        }
        return runs;
    }
}
