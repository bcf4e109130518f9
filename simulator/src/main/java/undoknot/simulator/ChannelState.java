package undoknot.simulator;

import static undoknot.simulator.Physics.PLUG_GONE_UM;
import static undoknot.simulator.Physics.PLUG_WEAK_UM;

import java.util.Random;
import undoknot.head.Channel;
import undoknot.simulator.Strokes.Stroke;

/** One channel's hidden state; arrays by nozzle, nozzle 1 first. */
final class ChannelState {

    final Channel channel;
    final double[] plugUm;
    final double[] strength;
    final boolean[] debris;
    final double[] bent;
    final boolean[] deadGroup;
    /** Nozzles of a dead group that print all the same. */
    final boolean[] alive;
    /** Share of the channel that air covers, 0..1. */
    double air;
    /** Share by which the supply is narrowed, 0..1. */
    double narrowed;

    boolean ink = true;
    /** Ink that sets again by itself. */
    boolean unsuitable;
    /** Ink still in the channel, 1 before any flush. */
    double colour = 1;

    ChannelState(Channel channel, int groups) {
        this.channel = channel;
        this.plugUm = new double[channel.nozzles()];
        this.strength = new double[channel.nozzles()];
        this.debris = new boolean[channel.nozzles()];
        this.bent = new double[channel.nozzles()];
        this.deadGroup = new boolean[groups];
        this.alive = new boolean[channel.nozzles()];
    }

    boolean dead(int i) {
        return deadGroup[i * deadGroup.length / plugUm.length];
    }

    boolean passes(int i) {
        return plugUm[i] < PLUG_WEAK_UM.value() && !debris[i];
    }

    void plug(double share, double depthUm, double hardness, Random random) {
        int n = plugUm.length;
        int wanted = (int) Math.round(share * n);
        // A channel that is nearly full of plugs takes no more after some tries.
        for (int tries = 0; wanted > 0 && tries < 20 * n; tries++) {
            int first = random.nextInt(n);
            int length = 1 + random.nextInt(4);
            for (int i = first; i < Math.min(n, first + length) && wanted > 0; i++) {
                if (plugUm[i] < PLUG_WEAK_UM.value()) {
                    plugUm[i] = depthUm * (0.5 + random.nextDouble());
                    strength[i] = hardness;
                    wanted--;
                }
            }
        }
    }

    void debris(double share, Random random) {
        int n = debris.length;
        int length = Math.max(3, (int) Math.round(0.15 * share * n) + 2);
        int first = 2 + random.nextInt(Math.max(1, n - length - 4));
        for (int i = first; i < first + length; i++) {
            debris[i] = random.nextDouble() < 0.85;
        }
        for (int side : new int[] {first - 2, first - 1, first + length, first + length + 1}) {
            bent[side] = 0.45 * (random.nextBoolean() ? 1 : -1);
        }
    }

    /** The border of a dead group is not clean: a nozzle or two of it print, and one elsewhere does not. */
    void fray(Random random) {
        int perGroup = plugUm.length / deadGroup.length;
        int group = 0;
        while (group < deadGroup.length - 1 && !deadGroup[group]) {
            group++;
        }
        for (int n = 1 + random.nextInt(2); n > 0; n--) {
            alive[group * perGroup + (random.nextBoolean() ? 0 : perGroup - 1)] = true;
        }
        int stray = random.nextInt(plugUm.length);
        plugUm[stray] = 5000;
        strength[stray] = 1;
    }

    void bend(double share, Random random) {
        int n = bent.length;
        int length = Math.max(4, (int) Math.round(0.4 * share * n));
        int first = random.nextInt(n - length);
        for (int i = first; i < first + length; i++) {
            if (random.nextDouble() < 0.7) {
                bent[i] = (0.35 + 0.25 * random.nextDouble()) * (random.nextBoolean() ? 1 : -1);
            }
        }
    }

    /** @param stray share of the nozzles that print nothing this once */
    Stroke[] print(Random random, double stray) {
        int n = plugUm.length;
        Stroke[] strokes = new Stroke[n];
        boolean[] starved = starved(random);
        for (int i = 0; i < n; i++) {
            // Drawn for every nozzle, so that one nozzle's fate does not shift the others' luck.
            double grain = random.nextGaussian();
            double place = random.nextGaussian();
            boolean misses = stray > 0 && random.nextDouble() < stray;
            if (misses
                    || !ink
                    || dead(i) && !alive[i]
                    || debris[i]
                    || starved[i]
                    || plugUm[i] >= PLUG_WEAK_UM.value()) {
                strokes[i] = Stroke.NONE;
                continue;
            }
            double density = plugUm[i] > PLUG_GONE_UM.value() ? 0.45 : 1 + 0.04 * grain;
            double offset = bent[i] != 0 ? bent[i] : Math.max(-0.1, Math.min(0.1, 0.03 * place));
            strokes[i] = new Stroke(density, offset);
        }
        return strokes;
    }

    /** Nozzles that get no ink this time: air in runs that sit elsewhere at every print, and the ends of a starved channel. */
    private boolean[] starved(Random random) {
        int n = plugUm.length;
        boolean[] starved = new boolean[n];
        int covered = (int) Math.round(air * n);
        int start = random.nextInt(n);
        for (int i = 0; i < covered; i++) {
            starved[(start + i) % n] = true;
        }
        for (int i = 0; i < n; i++) {
            double luck = random.nextDouble();
            double end = Math.abs(2.0 * i / (n - 1) - 1);
            starved[i] |= narrowed > 0 && luck < narrowed * (0.15 + 0.6 * end * end);
        }
        return starved;
    }

    double openShare() {
        int open = 0;
        for (int i = 0; i < plugUm.length; i++) {
            open += passes(i) ? 1 : 0;
        }
        return (double) open / plugUm.length;
    }

    void loosen(double chance, Random random) {
        boolean any = false;
        boolean left = false;
        for (int i = 0; i < debris.length; i++) {
            any |= debris[i];
            debris[i] &= random.nextDouble() >= chance;
            left |= debris[i];
        }
        if (any && !left) {
            // What bent the dashes beside it is gone as well.
            java.util.Arrays.fill(bent, 0);
        }
    }
}
