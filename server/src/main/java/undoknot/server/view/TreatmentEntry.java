package undoknot.server.view;

import com.fasterxml.jackson.databind.annotation.JsonDeserialize;
import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Digits;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import java.math.BigDecimal;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.springframework.lang.Nullable;
import undoknot.treatment.Method;
import undoknot.treatment.Treatment;

/** A treatment as it is entered and shown: its kind, and what that kind records, in the field of that name. */
public record TreatmentEntry(
        @NotNull Treatment.Kind kind,
        @Nullable @Valid FlushEntry flush,
        @Nullable @Valid SoakEntry soak,
        @Nullable @Valid BathEntry bath,
        @Nullable @Valid CycleEntry cycle,
        @Nullable @Valid HandworkEntry handwork) {

    static final String CHANNELS = "Choose at least one channel.";
    public static final String ML_MIN = "Enter more than 0 mL.";
    static final String ML_MAX = "Enter at most {value} mL.";
    static final String ML_DIGITS = "Enter millilitres to the hundredth.";
    static final String ML_MISSING = "Enter how many mL.";
    static final String TEMPERATURE = "Enter 1 to 99 °C.";

    /**
     * @param method what goes by strokes; absent for a flush, warm or not
     * @param planned channels it is meant for, when rounds are begun with fewer
     * @param pulses whether fluid goes in pulses with pad prints between
     */
    public record FlushEntry(
            @Nullable Method method,

            @Nullable @JsonDeserialize(as = LinkedHashSet.class)
            Set<String> planned,

            @Nullable Boolean pulses,
            @NotEmpty(message = CHANNELS) @Valid List<StrokeEntry> strokes,

            @DecimalMin(value = "1", message = TEMPERATURE) @DecimalMax(value = "99", message = TEMPERATURE)
            double temperatureC) {
        static FlushEntry of(Treatment.Flush f) {
            return new FlushEntry(
                    f.method(),
                    f.planned(),
                    f.pulses(),
                    f.strokes().stream().map(StrokeEntry::of).toList(),
                    f.temperatureC());
        }

        Treatment.Flush flush() {
            return new Treatment.Flush(
                    method,
                    planned == null ? Set.of() : planned,
                    Boolean.TRUE.equals(pulses),
                    strokes.stream().map(StrokeEntry::stroke).toList(),
                    temperatureC);
        }
    }

    public record SoakEntry(
            @NotNull Treatment.Place place,

            @NotEmpty(message = CHANNELS) @JsonDeserialize(as = LinkedHashSet.class)
            Set<String> channels,

            @NotNull(message = ML_MISSING)
            @DecimalMin(value = "0", inclusive = false, message = ML_MIN)
            @DecimalMax(value = "5000", message = ML_MAX)
            @Digits(integer = 4, fraction = 2, message = ML_DIGITS)
            BigDecimal volumeMl,

            @NotNull(message = "Enter how many minutes are planned.")
            @Min(value = 1, message = "Plan at least 1 minute.")
            @Max(value = 2880, message = "Plan at most 2880 minutes, two days.")
            Integer plannedMinutes,

            @Nullable @DecimalMin(value = "1", message = TEMPERATURE) @DecimalMax(value = "99", message = TEMPERATURE)
            Double temperatureC) {}

    public record BathEntry(
            @NotEmpty(message = CHANNELS) @JsonDeserialize(as = LinkedHashSet.class)
            Set<String> channels,

            @NotNull(message = ML_MISSING)
            @DecimalMin(value = "0", inclusive = false, message = ML_MIN)
            @DecimalMax(value = "20000", message = ML_MAX)
            @Digits(integer = 5, fraction = 2, message = ML_DIGITS)
            BigDecimal volumeMl,

            @NotNull(message = "Enter the level over the face.")
            @DecimalMin(value = "0", message = "Enter 0 to 50 mm.")
            @DecimalMax(value = "50", message = "Enter 0 to 50 mm.")
            Double levelMm,

            @NotNull(message = TEMPERATURE)
            @DecimalMin(value = "1", message = TEMPERATURE)
            @DecimalMax(value = "99", message = TEMPERATURE)
            Double temperatureC,

            @NotNull(message = "Enter 1 to 20 bursts.")
            @Min(value = 1, message = "Enter 1 to 20 bursts.")
            @Max(value = 20, message = "Enter 1 to 20 bursts.")
            Integer bursts,

            @NotNull(message = "Enter the length of a burst.")
            @Min(value = 1, message = "A burst takes 1 to 1800 seconds.")
            @Max(value = 1800, message = "A burst takes 1 to 1800 seconds.")
            Integer burstSeconds) {}

    public record CycleEntry(
            @NotEmpty(message = CHANNELS) @JsonDeserialize(as = LinkedHashSet.class)
            Set<String> channels,

            @NotNull(message = "Choose how strong.") Treatment.Strength strength,

            @NotNull(message = "Enter 1 to 20 cycles.")
            @Min(value = 1, message = "Enter 1 to 20 cycles.")
            @Max(value = 20, message = "Enter 1 to 20 cycles.")
            Integer count) {}

    /**
     * @param volumeMl fluid drawn from a bottle, mL; absent when none was
     * @param temperatureC of the fluid, °C; absent at room temperature
     * @param suctionKpa greatest suction at the head, kPa; absent when nobody read a gauge
     * @param plannedMinutes how long it waits; absent when it was over as it is logged
     */
    public record HandworkEntry(
            @NotNull(message = "Choose what was done.") Method method,

            @NotEmpty(message = CHANNELS) @JsonDeserialize(as = LinkedHashSet.class)
            Set<String> channels,

            @Nullable
            @DecimalMin(value = "0", inclusive = false, message = ML_MIN)
            @DecimalMax(value = "20000", message = ML_MAX)
            @Digits(integer = 5, fraction = 2, message = ML_DIGITS)
            BigDecimal volumeMl,

            @Nullable @DecimalMin(value = "1", message = TEMPERATURE) @DecimalMax(value = "99", message = TEMPERATURE)
            Double temperatureC,

            @Nullable
            @DecimalMin(value = "0", message = "Enter 0 to 100 kPa.")
            @DecimalMax(value = "100", message = "Enter 0 to 100 kPa.")
            Double suctionKpa,

            @Nullable
            @Min(value = 1, message = "Plan at least 1 minute.")
            @Max(value = 2880, message = "Plan at most 2880 minutes, two days.")
            Integer plannedMinutes) {}

    /** Whether the field that belongs to the kind is filled, and no other; a damper is pulled by strokes, or a new one fitted. */
    public boolean hasOneKind() {
        return (flush != null) == (kind == Treatment.Kind.FLUSH)
                && (soak != null) == (kind == Treatment.Kind.SOAK)
                && (bath != null) == (kind == Treatment.Kind.BATH)
                && (cycle != null) == (kind == Treatment.Kind.CYCLE)
                && (handwork != null) == (kind == Treatment.Kind.HANDWORK)
                && (flush == null || flush.method() == null || flush.method().isByStrokes())
                && (handwork == null || handwork.method().isHandwork() || handwork.method() == Method.DAMPER);
    }

    /** What was logged, as it would be entered. */
    public static TreatmentEntry of(Treatment treatment) {
        FlushEntry flush = null;
        SoakEntry soak = null;
        BathEntry bath = null;
        CycleEntry cycle = null;
        HandworkEntry handwork = null;
        if (treatment instanceof Treatment.Flush f) {
            flush = FlushEntry.of(f);
        } else if (treatment instanceof Treatment.Soak s) {
            soak = new SoakEntry(s.place(), s.channels(), s.volumeMl(), s.plannedMinutes(), s.temperatureC());
        } else if (treatment instanceof Treatment.Bath b) {
            bath = new BathEntry(
                    b.channels(), b.volumeMl(), b.levelMm(), b.temperatureC(), b.bursts(), b.burstSeconds());
        } else if (treatment instanceof Treatment.Cycle c) {
            cycle = new CycleEntry(c.channels(), c.strength(), c.count());
        } else if (treatment instanceof Treatment.Handwork w) {
            handwork = new HandworkEntry(
                    w.method(),
                    w.channels(),
                    w.volumeMl().signum() == 0 ? null : w.volumeMl(),
                    w.temperatureC(),
                    w.suctionKpa(),
                    w.plannedMinutes());
        }
        return new TreatmentEntry(treatment.kind(), flush, soak, bath, cycle, handwork);
    }

    public Treatment treatment() {
        return switch (kind) {
            case FLUSH -> flush.flush();
            case SOAK ->
                new Treatment.Soak(
                        soak.place(), soak.channels(), soak.volumeMl(), soak.plannedMinutes(), soak.temperatureC());
            case BATH ->
                new Treatment.Bath(
                        bath.channels(),
                        bath.volumeMl(),
                        bath.levelMm(),
                        bath.temperatureC(),
                        bath.bursts(),
                        bath.burstSeconds());
            case CYCLE -> new Treatment.Cycle(cycle.channels(), cycle.strength(), cycle.count());
            case HANDWORK ->
                new Treatment.Handwork(
                        handwork.method(),
                        handwork.channels(),
                        handwork.volumeMl() == null ? BigDecimal.ZERO : handwork.volumeMl(),
                        handwork.temperatureC(),
                        handwork.suctionKpa(),
                        handwork.plannedMinutes());
        };
    }
}
