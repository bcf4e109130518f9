package undoknot.server.visit;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.math.BigDecimal;
import java.time.Instant;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import undoknot.flow.Syringe;
import undoknot.server.write.StoredJson;
import undoknot.treatment.Method;
import undoknot.treatment.Seen;
import undoknot.treatment.Stroke;
import undoknot.treatment.Treatment;

/**
 * What a treatment recorded, as the database keeps it: a record for each kind, in a schema of its own that has a version, so
 * that a request may change its shape without touching what was logged. A change here raises {@link #VERSION} and brings a
 * migration.
 */
public final class StoredTreatment {

    /**
     * 1 was the request of the web as it came, 2 the record of the kind alone; 3 may name syringe, force, temperature and
     * suction, 4 the method of strokes, their keys, and what was seen of each; both are otherwise the same.
     */
    public static final int VERSION = 4;

    private StoredTreatment() {}

    @JsonInclude(JsonInclude.Include.NON_NULL)
    record StoredStroke(
            UUID id,
            Instant at,
            String channel,
            BigDecimal volumeMl,
            Double seconds,
            Treatment.Resistance resistance,
            Treatment.Effluent effluent,
            Treatment.Stream stream,
            Boolean freshPad,
            Integer padFifths,
            Boolean bubbles,
            Boolean sediment,
            Boolean air,
            Syringe syringe,
            Syringe.Thumb force,
            Double suctionKpa) {
        static StoredStroke of(Stroke s) {
            Seen seen = s.seen();
            return new StoredStroke(
                    s.id(),
                    s.at(),
                    s.channel(),
                    s.volumeMl(),
                    s.seconds(),
                    seen.resistance(),
                    seen.effluent(),
                    seen.stream(),
                    seen.freshPad(),
                    seen.padFifths(),
                    seen.bubbles(),
                    seen.sediment(),
                    seen.air(),
                    s.syringe(),
                    s.force(),
                    s.suctionKpa());
        }

        Stroke stroke() {
            Seen seen = new Seen(resistance, effluent, stream, freshPad, padFifths, bubbles, sediment, air);
            return new Stroke(id, at, channel, volumeMl, seconds, seen, syringe, force, suctionKpa);
        }
    }

    /** @param method absent in what was logged before others than flushes went by strokes */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    record Flush(
            Method method, List<String> planned, boolean pulses, List<StoredStroke> strokes, double temperatureC) {}

    @JsonInclude(JsonInclude.Include.NON_NULL)
    record Soak(
            Treatment.Place place,
            List<String> channels,
            BigDecimal volumeMl,
            int plannedMinutes,
            Double temperatureC) {}

    record Bath(
            List<String> channels,
            BigDecimal volumeMl,
            double levelMm,
            double temperatureC,
            int bursts,
            int burstSeconds) {}

    record Cycle(List<String> channels, Treatment.Strength strength, int count) {}

    /** @param volumeMl left out when no fluid was drawn */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    record Handwork(
            Method method,
            List<String> channels,
            BigDecimal volumeMl,
            Double temperatureC,
            Double suctionKpa,
            Integer plannedMinutes) {}

    /** The record of a treatment, ready to be kept as JSON beside its kind and {@link #VERSION}. */
    public static Object of(Treatment treatment) {
        List<String> channels = List.copyOf(treatment.channels());
        if (treatment instanceof Treatment.Flush flush) {
            return new Flush(
                    flush.method(),
                    List.copyOf(flush.planned()),
                    flush.pulses(),
                    flush.strokes().stream().map(StoredStroke::of).toList(),
                    flush.temperatureC());
        }
        if (treatment instanceof Treatment.Soak soak) {
            return new Soak(soak.place(), channels, soak.volumeMl(), soak.plannedMinutes(), soak.temperatureC());
        }
        if (treatment instanceof Treatment.Bath bath) {
            return new Bath(
                    channels, bath.volumeMl(), bath.levelMm(), bath.temperatureC(), bath.bursts(), bath.burstSeconds());
        }
        if (treatment instanceof Treatment.Cycle cycle) {
            return new Cycle(channels, cycle.strength(), cycle.count());
        }
        Treatment.Handwork work = (Treatment.Handwork) treatment;
        return new Handwork(
                work.method(),
                channels,
                work.volumeMl().signum() == 0 ? null : work.volumeMl(),
                work.temperatureC(),
                work.suctionKpa(),
                work.plannedMinutes());
    }

    /** @throws IllegalStateException when the record was kept by a newer version of the program */
    static Treatment read(Treatment.Kind kind, int version, String record, StoredJson json) {
        if (version != VERSION) {
            throw new IllegalStateException("a treatment is kept in version " + version + ", this program knows "
                    + VERSION + "; start the newer program, which migrates it");
        }
        return switch (kind) {
            case FLUSH -> {
                Flush flush = json.read(record, Flush.class);
                yield new Treatment.Flush(
                        flush.method(),
                        flush.planned() == null ? Set.of() : new LinkedHashSet<>(flush.planned()),
                        flush.pulses(),
                        flush.strokes().stream().map(StoredStroke::stroke).toList(),
                        flush.temperatureC());
            }
            case SOAK -> {
                Soak soak = json.read(record, Soak.class);
                yield new Treatment.Soak(
                        soak.place(),
                        new LinkedHashSet<>(soak.channels()),
                        soak.volumeMl(),
                        soak.plannedMinutes(),
                        soak.temperatureC());
            }
            case BATH -> {
                Bath bath = json.read(record, Bath.class);
                yield new Treatment.Bath(
                        new LinkedHashSet<>(bath.channels()),
                        bath.volumeMl(),
                        bath.levelMm(),
                        bath.temperatureC(),
                        bath.bursts(),
                        bath.burstSeconds());
            }
            case CYCLE -> {
                Cycle cycle = json.read(record, Cycle.class);
                yield new Treatment.Cycle(new LinkedHashSet<>(cycle.channels()), cycle.strength(), cycle.count());
            }
            case HANDWORK -> {
                Handwork work = json.read(record, Handwork.class);
                yield new Treatment.Handwork(
                        work.method(),
                        new LinkedHashSet<>(work.channels()),
                        work.volumeMl() == null ? BigDecimal.ZERO : work.volumeMl(),
                        work.temperatureC(),
                        work.suctionKpa(),
                        work.plannedMinutes());
            }
        };
    }
}
