package undoknot.treatment;

import java.math.BigDecimal;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
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
     */
    record Stroke(
            String channel,
            BigDecimal volumeMl,
            double seconds,
            Resistance resistance,
            Effluent effluent,
            Stream stream) {

        /** Flushing ends at an end point, not at a count: effluent like fresh fluid and the stream whole. */
        public boolean reachedEndPoint() {
            return effluent == Effluent.LIKE_FRESH && stream == Stream.WHOLE;
        }
    }

    record Flush(List<Stroke> strokes, double temperatureC) implements Treatment {
        public Flush {
            strokes = List.copyOf(strokes);
        }

        @Override
        public Kind kind() {
            return Kind.FLUSH;
        }

        @Override
        public Set<String> channels() {
            return strokes.stream().map(Stroke::channel).collect(Collectors.toUnmodifiableSet());
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

    /** @param plannedMinutes planned time, minutes; the actual time is the clock's */
    record Soak(Place place, Set<String> channels, BigDecimal volumeMl, int plannedMinutes) implements Treatment {
        public Soak {
            channels = Set.copyOf(channels);
        }

        @Override
        public Kind kind() {
            return Kind.SOAK;
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
            channels = Set.copyOf(channels);
        }

        @Override
        public Kind kind() {
            return Kind.BATH;
        }
    }

    enum Strength {
        LIGHT,
        NORMAL,
        STRONG
    }

    record Cycle(Set<String> channels, Strength strength, int count) implements Treatment {
        public Cycle {
            channels = Set.copyOf(channels);
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
     */
    record Handwork(Method method, Set<String> channels, BigDecimal volumeMl) implements Treatment {
        public Handwork {
            channels = Set.copyOf(channels);
            if (!method.isHandwork()) {
                throw new IllegalArgumentException(method + " has a kind of its own");
            }
        }

        @Override
        public Kind kind() {
            return Kind.HANDWORK;
        }
    }
}
