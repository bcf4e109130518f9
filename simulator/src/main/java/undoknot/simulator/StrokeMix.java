package undoknot.simulator;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Random;
import undoknot.head.Channel;
import undoknot.head.Family;
import undoknot.simulator.Strokes.Stroke;

/** Strokes with everything a reader has to tell apart, drawn at random, without a head behind them. */
public enum StrokeMix {
    /** Gaps singly and in runs, a few weak, a few deflected. */
    SCATTERED,
    /** As scattered, and one channel in three wholly out. */
    CHANNELS_OUT,
    /** As scattered, and many deflected so far that they touch the next dash. */
    TOUCHING,
    /** As scattered, and half of each channel pale. */
    PALE_HALF,
    /** As scattered, and one dash in twelve only half as long. */
    HALF_LENGTH,
    /** As scattered, and one channel in three prints with its neighbour's ink. */
    OTHER_INK,
    /** As scattered, but one channel alone prints. */
    ONE_CHANNEL,
    /** As scattered, and one channel in three clogged: many missing, many weak in all shades. */
    CLOGGED;

    public Strokes draw(Family family, long seed) {
        Random random = new Random(seed);
        Map<String, Stroke[]> channels = new LinkedHashMap<>();
        int index = 0;
        int firstOut = random.nextInt(3);
        int alone = this == ONE_CHANNEL ? random.nextInt(family.channels().size()) : 0;
        Map<String, String> inks = new LinkedHashMap<>();
        for (Channel channel : family.channels()) {
            boolean picked = index % 3 == firstOut;
            boolean out = this == CHANNELS_OUT && picked || this == ONE_CHANNEL && index != alone;
            if (this == OTHER_INK && picked && family.channels().size() > 1) {
                int next = (index + 1) % family.channels().size();
                inks.put(channel.code(), family.channels().get(next).code());
            }
            index++;
            Stroke[] strokes = out ? blank(channel.nozzles()) : channel(channel.nozzles(), random);
            channels.put(channel.code(), this == CLOGGED && picked ? clogged(strokes, random) : strokes);
        }
        return new Strokes(channels, inks);
    }

    private static Stroke[] clogged(Stroke[] strokes, Random random) {
        return java.util.Arrays.stream(strokes)
                .map(s -> switch (random.nextInt(5)) {
                    case 0, 1 -> Stroke.NONE;
                    case 2, 3 -> new Stroke(0.3 + 0.32 * random.nextDouble(), 0);
                    default -> s;
                })
                .toArray(Stroke[]::new);
    }

    private static Stroke[] blank(int nozzles) {
        Stroke[] strokes = new Stroke[nozzles];
        java.util.Arrays.fill(strokes, Stroke.NONE);
        return strokes;
    }

    private Stroke[] channel(int nozzles, Random random) {
        Stroke[] strokes = new Stroke[nozzles];
        double gaps = 0.01 + 0.2 * random.nextDouble();
        double deflected = this == TOUCHING ? 0.12 : 0.03;
        int run = 0;
        for (int i = 0; i < nozzles; i++) {
            if (run == 0 && random.nextDouble() < gaps / 2) {
                run = 1 + random.nextInt(4);
            }
            if (run > 0) {
                run--;
                strokes[i] = Stroke.NONE;
                continue;
            }
            double density = random.nextDouble() < 0.03 ? weak(random) : 1 + 0.05 * random.nextGaussian();
            if (this == PALE_HALF && i >= nozzles / 2) {
                density *= 0.45;
            }
            double offset = random.nextDouble() < deflected
                    ? (0.34 + 0.26 * random.nextDouble()) * (random.nextBoolean() ? 1 : -1)
                    : Math.max(-0.1, Math.min(0.1, 0.035 * random.nextGaussian()));
            boolean half = this == HALF_LENGTH && random.nextInt(12) == 0;
            strokes[i] = half
                    ? new Stroke(1, 0, (0.4 + 0.2 * random.nextDouble()) * (random.nextBoolean() ? 1 : -1))
                    : new Stroke(density, offset);
        }
        if (this == PALE_HALF) {
            // A weak one in the pale half would be next to nothing.
            for (int i = nozzles / 2; i < nozzles; i++) {
                if (strokes[i].density() > 0 && strokes[i].density() < 0.35) {
                    strokes[i] = new Stroke(0.45, strokes[i].offsetSteps());
                }
            }
        }
        return strokes;
    }

    private static double weak(Random random) {
        return 0.38 + 0.2 * random.nextDouble();
    }
}
