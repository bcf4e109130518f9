package undoknot.simulator;

import java.util.BitSet;
import java.util.HashMap;
import java.util.Map;
import java.util.Random;
import undoknot.head.Channel;
import undoknot.head.Family;
import undoknot.nozzle.ChannelMap;
import undoknot.nozzle.NozzleMap;
import undoknot.nozzle.NozzleState;

/**
 * A stand-in head, thin for now: it makes readings that look like a clogged head's, always the same for one seed.
 * Whatever it makes is invented and must be labelled so where it could be taken for a real reading.
 */
public final class PluggedHead {

    private final Family family;
    private final Random random;
    private final Map<String, ChannelMap> channels = new HashMap<>();

    public PluggedHead(Family family, long seed) {
        this.family = family;
        this.random = new Random(seed);
        for (Channel channel : family.channels()) {
            channels.put(channel.code(), ChannelMap.filled(channel.nozzles(), NozzleState.FIRING));
        }
    }

    /** Scatters gaps over a channel, some of them as short runs, and deflects a few neighbours. */
    public PluggedHead plug(String code, double share) {
        ChannelMap map = channels.get(code);
        int wanted = (int) Math.round(share * map.size());
        BitSet out = new BitSet();
        while (out.cardinality() < wanted) {
            int first = 1 + random.nextInt(map.size());
            out.set(first, Math.min(map.size(), first + random.nextInt(4)) + 1);
        }
        while (out.cardinality() > wanted) {
            out.clear(out.nextSetBit(0));
        }
        BitSet leaning = new BitSet();
        for (int n = out.nextSetBit(0); n >= 0; n = out.nextSetBit(n + 1)) {
            if (n > 1 && !out.get(n - 1) && random.nextInt(4) == 0) {
                leaning.set(n - 1);
            }
        }
        channels.put(code, map.with(leaning, NozzleState.DEFLECTED).with(out, NozzleState.MISSING));
        return this;
    }

    /** Sets a run of nozzles to one state. */
    public PluggedHead run(String code, int first, int last, NozzleState state) {
        BitSet nozzles = new BitSet();
        nozzles.set(first, last + 1);
        channels.put(code, channels.get(code).with(nozzles, state));
        return this;
    }

    /** Lets a share of the nozzles that are out fire again. */
    public PluggedHead clear(String code, double share) {
        ChannelMap map = channels.get(code);
        BitSet restored = new BitSet();
        BitSet out = map.nozzles(NozzleState.MISSING);
        for (int n = out.nextSetBit(0); n >= 0; n = out.nextSetBit(n + 1)) {
            if (random.nextDouble() < share) {
                restored.set(n);
            }
        }
        channels.put(code, map.with(restored, NozzleState.FIRING));
        return this;
    }

    public NozzleMap check() {
        Map<String, ChannelMap> inPortOrder = new java.util.LinkedHashMap<>();
        family.channels().forEach(c -> inPortOrder.put(c.code(), channels.get(c.code())));
        return new NozzleMap(inPortOrder);
    }
}
