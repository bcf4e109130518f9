package undoknot.server.view;

import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Digits;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import java.math.BigDecimal;
import java.time.Instant;
import java.util.UUID;
import org.springframework.lang.Nullable;
import undoknot.flow.Syringe;
import undoknot.treatment.Seen;
import undoknot.treatment.Stroke;
import undoknot.treatment.Treatment;

/**
 * A stroke as it is entered and shown. What is absent was not timed, not seen, or not said.
 *
 * @param id its key; absent for one logged before strokes had any
 * @param at when it ended; set by the server
 * @param padFifths fifths of the row that wet the pad
 */
public record StrokeEntry(
        @Nullable UUID id,
        @Nullable Instant at,
        @NotNull String channel,

        @NotNull(message = TreatmentEntry.ML_MISSING)
        @DecimalMin(value = "0", message = TreatmentEntry.ML_MIN)
        @DecimalMax(value = "500", message = TreatmentEntry.ML_MAX)
        @Digits(integer = 4, fraction = 2, message = TreatmentEntry.ML_DIGITS)
        BigDecimal volumeMl,

        @Nullable
        @DecimalMin(
                value = "0",
                inclusive = false,
                message = "Enter more than 0 seconds, or none when nobody timed it.")
        @DecimalMax(value = "3600", message = "A stroke takes at most 3600 seconds.")
        Double seconds,

        @Nullable Treatment.Resistance resistance,
        @Nullable Treatment.Effluent effluent,
        @Nullable Treatment.Stream stream,
        @Nullable Boolean freshPad,

        @Nullable @Min(value = 0, message = "Enter 0 to 5 fifths.") @Max(value = 5, message = "Enter 0 to 5 fifths.")
        Integer padFifths,

        @Nullable Boolean bubbles,
        @Nullable Boolean sediment,
        @Nullable Boolean air,
        @Nullable Syringe syringe,
        @Nullable Syringe.Thumb force,

        @Nullable
        @DecimalMin(value = "0", message = "Enter 0 to 100 kPa.")
        @DecimalMax(value = "100", message = "Enter 0 to 100 kPa.")
        Double suctionKpa) {

    static StrokeEntry of(Stroke s) {
        Seen seen = s.seen();
        return new StrokeEntry(
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
        return stroke(id, at);
    }

    /** The same under a key and a time that the server gives. */
    public Stroke stroke(UUID key, Instant when) {
        Seen seen = new Seen(resistance, effluent, stream, freshPad, padFifths, bubbles, sediment, air);
        return new Stroke(key, when, channel, volumeMl, seconds, seen, syringe, force, suctionKpa);
    }
}
