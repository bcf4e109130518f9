package undoknot.server.fluid;

import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Digits;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.lang.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import undoknot.fluid.FluidKind;
import undoknot.server.account.Role;
import undoknot.server.account.SignedIn;
import undoknot.server.problem.Refused;
import undoknot.server.write.RepeatableWrite;
import undoknot.server.write.Versions;

/** The shelf: bottles with their lots. A technician opens a new one; a lead corrects one that stands there. */
@RestController
@RequestMapping("/api/lots")
class LotController {

    private static final String TOO_LONG = "This is too long. Keep it to {max} signs.";

    private final FluidLots lots;
    private final RepeatableWrite writes;

    LotController(FluidLots lots, RepeatableWrite writes) {
        this.lots = lots;
        this.writes = writes;
    }

    /** @param version version seen, absent for a new bottle */
    record LotEntry(
            @Nullable Long version,

            @NotBlank(message = "Enter the name on the bottle.") @Size(max = 120, message = TOO_LONG)
            String name,

            @NotNull(message = "Choose the kind of fluid.") FluidKind kind,

            @NotBlank(message = "Enter the maker.") @Size(max = 120, message = TOO_LONG)
            String maker,

            @NotBlank(message = "Enter the lot on the bottle.") @Size(max = 60, message = TOO_LONG)
            String lotCode,

            boolean foodSafe,
            @Nullable LocalDate expiresOn,

            @NotNull(message = "Enter what the bottle held when new.")
            @DecimalMin(value = "1", message = "A bottle holds at least 1 mL.")
            @DecimalMax(value = "100000", message = "Enter at most 100000 mL.")
            @Digits(integer = 6, fraction = 2, message = "Enter millilitres to the hundredth.")
            BigDecimal bottleMl,

            @NotNull(message = "Enter what is in it now.")
            @DecimalMin(value = "0", message = "Enter 0 or more.")
            @Digits(integer = 6, fraction = 2, message = "Enter millilitres to the hundredth.")
            BigDecimal remainingMl,

            @NotNull(message = "Enter the price of the bottle.") @DecimalMin(value = "0", message = "Enter 0 or more.")
            BigDecimal price,

            @Nullable @Size(max = 500, message = TOO_LONG) String hazards,

            @Nullable
            @DecimalMin(value = "0.2", message = "Enter how many times as thick as water, 0.2 to 50.")
            @DecimalMax(value = "50", message = "Enter how many times as thick as water, 0.2 to 50.")
            BigDecimal viscosityFactor) {}

    record LotView(
            UUID id,
            long version,
            String name,
            FluidKind kind,
            String maker,
            String lotCode,
            boolean foodSafe,
            @Nullable LocalDate openedOn,
            @Nullable LocalDate expiresOn,
            BigDecimal bottleMl,
            BigDecimal remainingMl,
            BigDecimal price,
            String hazards,
            @Nullable BigDecimal viscosityFactor,
            @Nullable LocalDate madeOn) {

        static LotView of(FluidLot lot) {
            return new LotView(
                    lot.id,
                    lot.version,
                    lot.name,
                    lot.kind,
                    lot.maker,
                    lot.lotCode,
                    lot.foodSafe,
                    lot.openedOn,
                    lot.expiresOn,
                    lot.bottleMl,
                    lot.remainingMl,
                    lot.price,
                    lot.hazards,
                    lot.viscosityFactor,
                    lot.madeOn);
        }

        boolean says(LotEntry entry) {
            return name.equals(entry.name().strip())
                    && kind == entry.kind()
                    && maker.equals(entry.maker().strip())
                    && lotCode.equals(entry.lotCode().strip())
                    && foodSafe == entry.foodSafe()
                    && java.util.Objects.equals(expiresOn, entry.expiresOn())
                    && bottleMl.compareTo(entry.bottleMl()) == 0
                    && remainingMl.compareTo(entry.remainingMl()) == 0
                    && price.compareTo(entry.price()) == 0
                    && hazards.equals(entry.hazards() == null ? "" : entry.hazards())
                    && sameFactor(entry.viscosityFactor());
        }

        private boolean sameFactor(BigDecimal other) {
            return viscosityFactor == null || other == null
                    ? viscosityFactor == other
                    : viscosityFactor.compareTo(other) == 0;
        }
    }

    @GetMapping
    List<LotView> all() {
        return lots.findAllByOrderByNameAscLotCodeAsc().stream()
                .map(LotView::of)
                .toList();
    }

    @PutMapping("/{id}")
    LotView put(@PathVariable UUID id, @Valid @RequestBody LotEntry entry) {
        if (entry.remainingMl().compareTo(entry.bottleMl()) > 0) {
            throw Refused.entry(
                    "remainingMl",
                    "MORE_THAN_BOTTLE",
                    "The bottle holds " + Shelf.plain(entry.bottleMl()) + " mL at most.");
        }
        return writes.run(() -> {
            FluidLot lot = lots.lock(id).orElse(null);
            if (lot == null) {
                lot = new FluidLot(id);
            } else {
                LotView stands = LotView.of(lot);
                if (stands.says(entry)) {
                    return stands;
                }
                if (SignedIn.now().role() != Role.LEAD) {
                    throw Refused.because(
                            HttpStatus.FORBIDDEN,
                            "lead-only",
                            "Only a lead corrects a bottle that stands on the shelf.");
                }
                Versions.check(lot.version, entry.version(), () -> stands, entry);
            }
            lot.name = entry.name().strip();
            lot.kind = entry.kind();
            lot.maker = entry.maker().strip();
            lot.lotCode = entry.lotCode().strip();
            lot.foodSafe = entry.foodSafe();
            lot.expiresOn = entry.expiresOn();
            lot.bottleMl = entry.bottleMl();
            lot.remainingMl = entry.remainingMl();
            lot.price = entry.price();
            lot.hazards = entry.hazards() == null ? "" : entry.hazards();
            lot.viscosityFactor = entry.viscosityFactor();
            return LotView.of(lots.saveAndFlush(lot));
        });
    }
}
