package undoknot.server.waste;

import java.math.BigDecimal;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;
import undoknot.server.account.SignedIn;
import undoknot.server.problem.Refused;
import undoknot.treatment.Gate;
import undoknot.treatment.Gates;

/** Where spent fluid goes. Runs inside the transaction of what spends it. */
@Component
public class Waste {

    private final WasteContainers containers;
    private final WasteEntries entries;
    private final Clock clock;

    Waste(WasteContainers containers, WasteEntries entries, Clock clock) {
        this.containers = containers;
        this.entries = entries;
        this.clock = clock;
    }

    public WasteContainer get(UUID id) {
        return containers.findById(id).orElseThrow(Waste::unknown);
    }

    /** Holds a container for the rest of the transaction. */
    public WasteContainer lock(UUID id) {
        return containers.lock(id).orElseThrow(Waste::unknown);
    }

    /** Whether a container has room for what would go in; what was poured over its brim is logged with a reason. */
    public Optional<Gate> room(UUID id, BigDecimal ml) {
        BigDecimal room = get(id).roomMl();
        return ml.compareTo(room) > 0
                ? Optional.of(Gates.noRoomInWaste(room.doubleValue(), ml.doubleValue()))
                : Optional.empty();
    }

    /** Brings what a source has put into a container to that many millilitres. */
    public WasteContainer fill(UUID id, UUID source, BigDecimal ml) {
        WasteContainer container = lock(id);
        BigDecimal before = entries.findBySourceId(source).stream()
                .filter(e -> !e.emptied && e.containerId.equals(id))
                .map(e -> e.volumeMl)
                .reduce(BigDecimal.ZERO, BigDecimal::add);
        BigDecimal more = ml.subtract(before);
        if (more.signum() != 0) {
            container.levelMl = container.levelMl.add(more).max(BigDecimal.ZERO);
            entries.save(entry(UUID.randomUUID(), id, source, false, more));
        }
        return container;
    }

    /** Empties a container; sent twice under one key it is emptied once. */
    public WasteContainer empty(UUID id, UUID key, UUID source) {
        WasteContainer container = lock(id);
        if (!entries.existsById(key)) {
            entries.save(entry(key, id, source, true, container.levelMl));
            container.levelMl = BigDecimal.ZERO;
        }
        return container;
    }

    List<WasteEntry> log(UUID id) {
        return entries.findTop20ByContainerIdOrderByEnteredAtDesc(id);
    }

    private WasteEntry entry(UUID key, UUID id, UUID source, boolean emptied, BigDecimal ml) {
        return new WasteEntry(
                key, id, source, emptied, ml, clock.instant(), SignedIn.now().displayName());
    }

    private static Refused unknown() {
        return Refused.entry("wasteId", "unknown", "Choose one of the waste containers of the shop.");
    }
}
