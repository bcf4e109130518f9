package undoknot.server.waste;

import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Digits;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.lang.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import undoknot.server.write.RepeatableWrite;
import undoknot.server.write.Versions;

/** Waste containers of the shop: how full they are, and emptying them to collected waste. */
@RestController
@RequestMapping("/api/waste")
class WasteController {

    private final WasteContainers containers;
    private final Waste waste;
    private final RepeatableWrite writes;

    WasteController(WasteContainers containers, Waste waste, RepeatableWrite writes) {
        this.containers = containers;
        this.waste = waste;
        this.writes = writes;
    }

    record WasteEntryView(boolean emptied, BigDecimal volumeMl, Instant at, String by) {}

    /** @param log the last entries, the newest first */
    record ContainerView(
            UUID id,
            long version,
            String name,
            BigDecimal capacityMl,
            BigDecimal levelMl,
            BigDecimal roomMl,
            List<WasteEntryView> log) {}

    /** @param version version seen, absent for a new container */
    record ContainerEntry(
            @Nullable Long version,

            @NotBlank(message = "Enter what is written on it.") @Size(max = 120, message = "Keep it to {max} signs.")
            String name,

            @NotNull(message = "Enter how much it holds.")
            @DecimalMin(value = "50", message = "Enter at least 50 mL.")
            @DecimalMax(value = "50000", message = "Enter at most 50000 mL.")
            @Digits(integer = 6, fraction = 2, message = "Enter millilitres to the hundredth.")
            BigDecimal capacityMl) {}

    @GetMapping
    List<ContainerView> all() {
        return containers.findAllByOrderByName().stream().map(this::view).toList();
    }

    private ContainerView view(WasteContainer c) {
        return new ContainerView(
                c.id,
                c.version,
                c.name,
                c.capacityMl,
                c.levelMl,
                c.roomMl(),
                waste.log(c.id).stream()
                        .map(e -> new WasteEntryView(e.emptied, e.volumeMl, e.enteredAt, e.enteredBy))
                        .toList());
    }

    @PutMapping("/{id}")
    ContainerView put(@PathVariable UUID id, @Valid @RequestBody ContainerEntry entry) {
        return view(writes.run(() -> {
            WasteContainer known = containers.lock(id).orElse(null);
            if (known != null) {
                if (known.name.equals(entry.name().strip()) && known.capacityMl.compareTo(entry.capacityMl()) == 0) {
                    return known;
                }
                WasteContainer stands = known;
                Versions.check(known.version, entry.version(), () -> view(stands), entry);
                known.name = entry.name().strip();
                known.capacityMl = entry.capacityMl();
            }
            return containers.saveAndFlush(
                    known == null ? new WasteContainer(id, entry.name().strip(), entry.capacityMl()) : known);
        }));
    }

    /** Empties a container to collected waste. */
    @PutMapping("/{id}/emptyings/{key}")
    ContainerView empty(@PathVariable UUID id, @PathVariable UUID key) {
        return view(writes.run(() -> containers.saveAndFlush(waste.empty(id, key, null))));
    }
}
