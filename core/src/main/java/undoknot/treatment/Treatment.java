package undoknot.treatment;

import java.math.BigDecimal;
import java.util.Collection;
import java.util.Collections;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import undoknot.flow.Syringe;
import undoknot.fluid.FluidUse;

/** One treatment of named channels, and what its kind records. */
public sealed interface Treatment {

    enum Kind {
        FLUSH,
        SOAK,
        BATH,
        CYCLE,
        /** Any other work with the hands; which one is its {@link Method}. */
        HANDWORK
    }

    Kind kind();

    /** Codes of the channels treated. */
    Set<String> channels();

    /** Temperature of the fluid, °C; that of the room where nobody said. */
    default double fluidC() {
        return UsualDose.ROOM_C;
    }

    /** Fluid drawn from its lot, mL; zero for a printer cycle. */
    BigDecimal volumeMl();

    /** How the fluid went in at the port. */
    enum Resistance {
        FREE,
        STIFF,
        WOULD_NOT_GO
    }

    /** What the effluent looks like, held beside a drop of the fresh fluid. */
    enum Effluent {
        INK,
        TINTED,
        LIKE_FRESH
    }

    /** How it leaves the face. */
    enum Stream {
        WHOLE,
        DRIPS,
        NOTHING
    }

    /**
     * Fluid pushed in at one port.
     *
     * @param seconds time of the stroke, s
     * @param syringe which was used, null when nobody said
     * @param force how hard the thumb pushed, null when nobody said
     */
    record Stroke(
            String channel,
            BigDecimal volumeMl,
            double seconds,
            Resistance resistance,
            Effluent effluent,
            Stream stream,
            Syringe syringe,
            Syringe.Thumb force) {

        public Stroke(
                String channel,
                BigDecimal volumeMl,
                double seconds,
                Resistance resistance,
                Effluent effluent,
                Stream stream) {
            this(channel, volumeMl, seconds, resistance, effluent, stream, null, null);
        }

        /** @throws IllegalArgumentException when the volume is negative, or the seconds are negative or no number */
        public Stroke {
            Objects.requireNonNull(channel, "channel");
            notNegative("volumeMl", volumeMl);
            notNegative("seconds", seconds);
            Objects.requireNonNull(resistance, "resistance");
            Objects.requireNonNull(effluent, "effluent");
            Objects.requireNonNull(stream, "stream");
        }

        /** Flushing ends at an end point, not at a count: effluent like fresh fluid and the stream whole. */
        public boolean reachedEndPoint() {
            return effluent == Effluent.LIKE_FRESH && stream == Stream.WHOLE;
        }
    }

    record Flush(List<Stroke> strokes, double temperatureC) implements Treatment {
        public Flush {
            strokes = List.copyOf(strokes);
            number("temperatureC", temperatureC);
        }

        @Override
        public Kind kind() {
            return Kind.FLUSH;
        }

        @Override
        public double fluidC() {
            return temperatureC;
        }

        @Override
        public Set<String> channels() {
            return inOrder(strokes.stream().map(Stroke::channel).toList());
        }

        @Override
        public BigDecimal volumeMl() {
            return strokes.stream().map(Stroke::volumeMl).reduce(BigDecimal.ZERO, BigDecimal::add);
        }
    }

    enum Place {
        PORT(FluidUse.PORT_SOAK),
        TRAY(FluidUse.TRAY_SOAK);

        private final FluidUse use;

        Place(FluidUse use) {
            this.use = use;
        }

        public FluidUse use() {
            return use;
        }
    }

    /**
     * @param plannedMinutes planned time, minutes; the actual time is the clock's
     * @param temperatureC of the fluid, °C; null at room temperature
     */
    record Soak(Place place, Set<String> channels, BigDecimal volumeMl, int plannedMinutes, Double temperatureC)
            implements Treatment {

        public Soak(Place place, Set<String> channels, BigDecimal volumeMl, int plannedMinutes) {
            this(place, channels, volumeMl, plannedMinutes, null);
        }

        public Soak {
            number("temperatureC", temperatureC == null ? 0 : temperatureC);
            Objects.requireNonNull(place, "place");
            notNegative("volumeMl", volumeMl);
            notNegative("plannedMinutes", plannedMinutes);
            channels = inOrder(channels);
        }

        @Override
        public Kind kind() {
            return Kind.SOAK;
        }

        @Override
        public double fluidC() {
            return temperatureC == null ? UsualDose.ROOM_C : temperatureC;
        }
    }

    /**
     * An ultrasonic bath.
     *
     * @param levelMm level over the face, mm
     * @param bursts number of bursts
     * @param burstSeconds length of one burst, s
     */
    record Bath(
            Set<String> channels,
            BigDecimal volumeMl,
            double levelMm,
            double temperatureC,
            int bursts,
            int burstSeconds)
            implements Treatment {
        public Bath {
            notNegative("volumeMl", volumeMl);
            number("levelMm", levelMm);
            number("temperatureC", temperatureC);
            notNegative("bursts", bursts);
            notNegative("burstSeconds", burstSeconds);
            channels = inOrder(channels);
        }

        @Override
        public Kind kind() {
            return Kind.BATH;
        }

        @Override
        public double fluidC() {
            return temperatureC;
        }
    }

    enum Strength {
        LIGHT,
        NORMAL,
        STRONG
    }

    record Cycle(Set<String> channels, Strength strength, int count) implements Treatment {
        public Cycle {
            Objects.requireNonNull(strength, "strength");
            notNegative("count", count);
            channels = inOrder(channels);
        }

        @Override
        public Kind kind() {
            return Kind.CYCLE;
        }

        @Override
        public BigDecimal volumeMl() {
            return BigDecimal.ZERO;
        }
    }

    /**
     * @param method which work; never one that has a kind of its own
     * @param channels channels it was done for; all of them when it is about the head
     * @param volumeMl fluid used, mL; zero when none was drawn from a bottle
     * @param temperatureC of the fluid, °C; null where it is not asked, or at room temperature
     * @param suctionKpa greatest suction at the head, kPa; null where it is not asked, or nobody read a gauge
     * @param plannedMinutes how long it is meant to take when it waits, minutes; null when it was over as it was logged
     */
    record Handwork(
            Method method,
            Set<String> channels,
            BigDecimal volumeMl,
            Double temperatureC,
            Double suctionKpa,
            Integer plannedMinutes)
            implements Treatment {

        public Handwork(Method method, Set<String> channels, BigDecimal volumeMl) {
            this(method, channels, volumeMl, null, null, null);
        }

        public Handwork {
            number("temperatureC", temperatureC == null ? 0 : temperatureC);
            notNegative("suctionKpa", suctionKpa == null ? 0 : suctionKpa);
            notNegative("plannedMinutes", plannedMinutes == null ? 0 : plannedMinutes);
            Objects.requireNonNull(method, "method");
            notNegative("volumeMl", volumeMl);
            channels = inOrder(channels);
            if (!method.isHandwork()) {
                throw new IllegalArgumentException(method + " has a kind of its own");
            }
        }

        @Override
        public Kind kind() {
            return Kind.HANDWORK;
        }

        @Override
        public double fluidC() {
            return temperatureC == null ? UsualDose.ROOM_C : temperatureC;
        }
    }

    private static void notNegative(String name, BigDecimal value) {
        Objects.requireNonNull(value, name);
        notNegative(name, value.doubleValue());
    }

    private static void notNegative(String name, double value) {
        if (!(value >= 0 && value < Double.POSITIVE_INFINITY)) {
            throw new IllegalArgumentException(name + " must be 0 or more and finite, was " + value);
        }
    }

    private static void number(String name, double value) {
        if (!Double.isFinite(value)) {
            throw new IllegalArgumentException(name + " must be a number, was " + value);
        }
    }

    /** Channels stay in the order in which they were treated. */
    private static Set<String> inOrder(Collection<String> channels) {
        return Collections.unmodifiableSet(new LinkedHashSet<>(channels));
    }
}
