package undoknot.treatment;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import undoknot.fluid.FluidUse;

/** One treatment of named channels, and what its kind records. */
public sealed interface Treatment {

    enum Kind {
        /** Fluid in strokes at a port; which work is its {@link Method}. */
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
     * Fluid in strokes, port by port, until every channel is at the end point of the method: one sitting.
     *
     * @param method a method by strokes; flush and warm flush are told apart by the temperature
     * @param planned channels it is meant for; those that had a stroke belong to them
     * @param pulses whether fluid goes in pulses with pad prints between, instead of a stroke and a soak
     */
    record Flush(Method method, Set<String> planned, boolean pulses, List<Stroke> strokes, double temperatureC)
            implements Treatment {

        public Flush(List<Stroke> strokes, double temperatureC) {
            this(null, Set.of(), false, strokes, temperatureC);
        }

        public Flush {
            strokes = List.copyOf(strokes);
            number("temperatureC", temperatureC);
            // Lukewarm water that goes first stays the flush that was advised; a warm flush is warmer, or nobody said.
            double warmFrom = method == Method.FLUSH ? UsualDose.LUKEWARM_C : Gates.ROOM_C;
            if (method == null || method == Method.FLUSH || method == Method.WARM) {
                method = temperatureC > warmFrom ? Method.WARM : Method.FLUSH;
            }
            if (!method.isByStrokes()) {
                throw new IllegalArgumentException(method + " does not go by strokes");
            }
            List<String> all = new ArrayList<>(planned);
            strokes.forEach(s -> all.add(s.channel()));
            planned = inOrder(all);
        }

        @Override
        public Kind kind() {
            return Kind.FLUSH;
        }

        @Override
        public double fluidC() {
            return temperatureC;
        }

        /** Those that had a stroke: a channel that was only meant has not been treated. */
        @Override
        public Set<String> channels() {
            return inOrder(strokes.stream().map(Stroke::channel).toList());
        }

        @Override
        public BigDecimal volumeMl() {
            return strokes.stream().map(Stroke::volumeMl).reduce(BigDecimal.ZERO, BigDecimal::add);
        }

        /** Whether fluid is pushed at the port and its resistance felt by the thumb. */
        public boolean isFlush() {
            return method == Method.FLUSH || method == Method.WARM;
        }

        /** The same sitting with one stroke more, or with the stroke of that key as it is known now. */
        public Flush with(Stroke stroke) {
            List<Stroke> next = new ArrayList<>(strokes);
            int at = indexOf(stroke.id());
            if (at < 0) {
                next.add(stroke);
            } else {
                next.set(at, stroke);
            }
            return new Flush(method, planned, pulses, next, temperatureC);
        }

        /** The same sitting without a stroke that was none. */
        public Flush without(UUID stroke) {
            return new Flush(
                    method,
                    planned,
                    pulses,
                    strokes.stream().filter(s -> !stroke.equals(s.id())).toList(),
                    temperatureC);
        }

        public Optional<Stroke> stroke(UUID id) {
            int at = indexOf(id);
            return at < 0 ? Optional.empty() : Optional.of(strokes.get(at));
        }

        private int indexOf(UUID id) {
            for (int i = 0; i < strokes.size(); i++) {
                if (id != null && id.equals(strokes.get(i).id())) {
                    return i;
                }
            }
            return -1;
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
     * @param method which work; never one that has a kind of its own, but for what was logged before it went by strokes
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
            boolean beforeStrokes = method.isByStrokes() && method != Method.FLUSH && method != Method.WARM;
            if (!method.isHandwork() && !beforeStrokes) {
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

    public static void notNegative(String name, BigDecimal value) {
        Objects.requireNonNull(value, name);
        notNegative(name, value.doubleValue());
    }

    public static void notNegative(String name, double value) {
        if (!(value >= 0 && value < Double.POSITIVE_INFINITY)) {
            throw new IllegalArgumentException(name + " must be 0 or more and finite, was " + value);
        }
    }

    public static void number(String name, double value) {
        if (!Double.isFinite(value)) {
            throw new IllegalArgumentException(name + " must be a number, was " + value);
        }
    }

    /** Channels stay in the order in which they were treated. */
    private static Set<String> inOrder(Collection<String> channels) {
        return Collections.unmodifiableSet(new LinkedHashSet<>(channels));
    }
}
