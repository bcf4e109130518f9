package undoknot.server.fluid;

import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import org.springframework.lang.Nullable;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import undoknot.flow.Parts;
import undoknot.fluid.FluidKind;
import undoknot.server.problem.Refused;
import undoknot.server.write.RepeatableWrite;
import undoknot.server.write.StoredJson;

/** Mixing: draws from bottles of the shelf and makes a new one, with its price and its day (handbook 11). */
@RestController
@RequestMapping("/api/mixtures")
class MixtureController {

    private static final String TOO_LONG = "This is too long. Keep it to {max} signs.";

    private final FluidLots lots;
    private final Shelf shelf;
    private final StoredJson stored;
    private final RepeatableWrite writes;
    private final Clock clock;

    MixtureController(FluidLots lots, Shelf shelf, StoredJson stored, RepeatableWrite writes, Clock clock) {
        this.lots = lots;
        this.shelf = shelf;
        this.stored = stored;
        this.writes = writes;
        this.clock = clock;
    }

    record MixturePart(
            @NotNull(message = "Choose a bottle.") UUID lotId,

            @NotNull(message = "Enter how many parts.")
            @DecimalMin(value = "0.01", message = "Enter more than 0 parts.")
            @DecimalMax(value = "100", message = "Enter at most 100 parts.")
            Double parts) {}

    /** @param volumeMl how much is made; absent while only what can be made is asked */
    record MixtureEntry(
            @NotNull @Valid @Size(min = 2, max = 6, message = "Choose two bottles to six.")
            List<MixturePart> parts,

            @Nullable
            @DecimalMin(value = "1", message = "Enter at least 1 mL.")
            @DecimalMax(value = "20000", message = "Enter at most 20000 mL.")
            BigDecimal volumeMl,

            @Nullable FluidKind kind) {}

    /**
     * @param mostMl how much can be made from what is left
     * @param price of the amount asked; absent while none is
     * @param kinds what it may be called
     */
    record MixtureSum(
            double mostMl,
            List<MixtureDraw> draws,
            @Nullable BigDecimal price,
            boolean foodSafe,
            List<FluidKind> kinds) {}

    record MixtureDraw(UUID lotId, String name, String lotCode, double volumeMl) {}

    record NewMixture(
            @NotNull @Valid MixtureEntry mixture,

            @NotBlank(message = "Enter the name for its label.") @Size(max = 120, message = TOO_LONG)
            String name,

            @NotBlank(message = "Enter a lot for its label.") @Size(max = 60, message = TOO_LONG)
            String lotCode,

            @NotNull(message = "Enter the last good day.") LocalDate expiresOn) {}

    /** What of it is kept with the new bottle. */
    record MixedFrom(UUID lotId, String lotCode, BigDecimal volumeMl) {}

    /** The sum. Stores nothing. */
    @PostMapping("/sum")
    MixtureSum sum(@Valid @RequestBody MixtureEntry entry) {
        return sum(entry, bottles(entry));
    }

    private List<FluidLot> bottles(MixtureEntry entry) {
        if (entry.parts().stream().map(MixturePart::lotId).distinct().count()
                < entry.parts().size()) {
            throw Refused.entry("parts", "TWICE", "Choose each bottle once.");
        }
        return entry.parts().stream().map(p -> shelf.get(p.lotId())).toList();
    }

    private static MixtureSum sum(MixtureEntry entry, List<FluidLot> from) {
        Parts parts = new Parts(entry.parts().stream().map(MixturePart::parts).toList());
        List<FluidKind> kinds = kinds(from);
        double most =
                parts.mostMl(from.stream().map(l -> l.remainingMl.doubleValue()).toList());
        double ml = entry.volumeMl() == null ? 0 : entry.volumeMl().doubleValue();
        List<Double> each = parts.each(ml);
        List<MixtureDraw> draws = new ArrayList<>();
        BigDecimal price = BigDecimal.ZERO;
        for (int i = 0; i < from.size(); i++) {
            FluidLot lot = from.get(i);
            draws.add(new MixtureDraw(
                    lot.id, lot.name, lot.lotCode, rounded(each.get(i)).doubleValue()));
            price = price.add(lot.price.multiply(rounded(each.get(i))).divide(lot.bottleMl, 4, RoundingMode.HALF_UP));
        }
        return new MixtureSum(
                Math.floor(most * 100) / 100,
                draws,
                entry.volumeMl() == null ? null : price.setScale(2, RoundingMode.HALF_UP),
                from.stream().allMatch(l -> l.foodSafe),
                kinds);
    }

    private static BigDecimal rounded(double ml) {
        return BigDecimal.valueOf(ml).setScale(2, RoundingMode.HALF_UP);
    }

    /**
     * What a mixture may be: cleaner with water is still that cleaner, or capping fluid; anything else only what its parts have
     * in common. Ammonia, alcohol, ink and capping fluid are not mixed further.
     */
    private static List<FluidKind> kinds(List<FluidLot> from) {
        Set<FluidKind> mixed = EnumSet.noneOf(FluidKind.class);
        from.forEach(l -> mixed.add(l.kind));
        Set<FluidKind> others = EnumSet.copyOf(mixed);
        others.remove(FluidKind.DEIONISED_WATER);
        FluidKind only = others.size() == 1 ? others.iterator().next() : null;
        boolean cleaner = only == FluidKind.AQUEOUS_CLEANER || only == FluidKind.FOOD_SAFE_CLEANER;
        if (cleaner && mixed.contains(FluidKind.DEIONISED_WATER)) {
            return List.of(FluidKind.CAPPING_FLUID, only);
        }
        boolean thinned = only == FluidKind.PIGMENT_FLUSH || mixed.size() == 1;
        if (thinned && !mixed.contains(FluidKind.AMMONIA_CLEANER)) {
            return List.of(only == null ? FluidKind.DEIONISED_WATER : only);
        }
        throw Refused.entry(
                "parts",
                "NOT_MIXED",
                "These are not mixed: cleaner with deionised water makes capping fluid; ammonia, alcohol and residue remover"
                        + " stay by themselves.");
    }

    @PutMapping("/{id}")
    LotController.LotView put(@PathVariable UUID id, @Valid @RequestBody NewMixture entry) {
        MixtureEntry mixture = entry.mixture();
        if (mixture.volumeMl() == null) {
            throw Refused.entry("mixture.volumeMl", "MISSING", "Enter how much you mix.");
        }
        return writes.run(() -> {
            FluidLot known = lots.findById(id).orElse(null);
            if (known != null) {
                return LotController.LotView.of(known);
            }
            // In the order of their keys, so that two mixtures of the same bottles wait for each other.
            mixture.parts().stream().map(MixturePart::lotId).sorted().forEach(shelf::lock);
            List<FluidLot> from = bottles(mixture);
            MixtureSum sum = sum(mixture, from);
            LocalDate today = LocalDate.now(clock);
            LocalDate latest = from.stream()
                    .map(l -> l.expiresOn)
                    .filter(Objects::nonNull)
                    .min(LocalDate::compareTo)
                    .orElse(null);
            if (latest != null && latest.isBefore(today)) {
                throw Refused.entry(
                        "parts", "EXPIRED", "A part of it expired on " + latest + ". Choose another bottle.");
            }
            if (entry.expiresOn().isBefore(today)
                    || latest != null && entry.expiresOn().isAfter(latest)) {
                throw Refused.entry(
                        "expiresOn",
                        "RANGE",
                        "Enter a day from today"
                                + (latest == null ? "" : " to " + latest + ", when its first part expires") + ".");
            }
            if (mixture.volumeMl().doubleValue() > sum.mostMl()) {
                throw Refused.entry(
                        "mixture.volumeMl",
                        "TOO_MUCH",
                        "From these bottles " + Shelf.plain(BigDecimal.valueOf(sum.mostMl())) + " mL can be made.");
            }
            FluidKind kind = mixture.kind() == null ? sum.kinds().get(0) : mixture.kind();
            if (!sum.kinds().contains(kind)) {
                throw Refused.entry("mixture.kind", "UNKNOWN", "Choose one of the kinds that are offered.");
            }
            List<MixedFrom> mixed = new ArrayList<>();
            for (MixtureDraw draw : sum.draws()) {
                BigDecimal ml = BigDecimal.valueOf(draw.volumeMl());
                shelf.drawFor(draw.lotId(), id, ml);
                mixed.add(new MixedFrom(draw.lotId(), draw.lotCode(), ml));
            }
            FluidLot lot = new FluidLot(id);
            lot.name = entry.name().strip();
            lot.kind = kind;
            lot.maker = "Mixed here";
            lot.lotCode = entry.lotCode().strip();
            lot.foodSafe = sum.foodSafe();
            lot.openedOn = today;
            lot.madeOn = today;
            lot.expiresOn = entry.expiresOn();
            lot.bottleMl = mixture.volumeMl();
            lot.remainingMl = mixture.volumeMl();
            lot.price = sum.price();
            lot.hazards = from.stream()
                    .map(l -> l.hazards)
                    .filter(h -> !h.isBlank())
                    .distinct()
                    .reduce((a, b) -> a + "; " + b)
                    .orElse("");
            lot.mixedFrom = stored.write(mixed);
            return LotController.LotView.of(lots.saveAndFlush(lot));
        });
    }
}
