package undoknot.server.head;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.boot.context.event.ApplicationStartedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import undoknot.head.CheckLayout;
import undoknot.head.Family;
import undoknot.head.StarterFamilies;
import undoknot.head.StarterLayouts;
import undoknot.server.problem.Refused;

/** The check layouts the shop knows. A new shop starts with {@link StarterLayouts}. */
@Component
public class Layouts {

    private final CheckLayoutRows rows;
    private final ObjectMapper json;
    private final Clock clock;

    Layouts(CheckLayoutRows rows, ObjectMapper json, Clock clock) {
        this.rows = rows;
        this.json = json;
        this.clock = clock;
    }

    @EventListener(ApplicationStartedEvent.class)
    @Order(2)
    void addStarterLayouts() {
        if (rows.count() == 0) {
            for (Family family : StarterFamilies.ALL) {
                CheckLayoutRow row = new CheckLayoutRow(UUID.randomUUID(), family.code());
                fill(row, StarterLayouts.of(family), "Undo Knot");
                row.shipped = true;
                rows.save(row);
            }
        }
    }

    void fill(CheckLayoutRow row, CheckLayout layout, String by) {
        row.name = layout.name();
        row.definition = write(layout);
        row.changedAt = clock.instant();
        row.changedBy = by;
    }

    /** A family none of whose layouts fits it any more, or that has none, gets one to start with, where that fits a sheet. */
    public void addIfNoneFits(Family family) {
        boolean fits = of(family.code()).stream()
                .anyMatch(row -> parse(row).problems(family).isEmpty());
        CheckLayout start = StarterLayouts.of(family);
        if (!fits && start.problems(family).isEmpty()) {
            CheckLayoutRow row = new CheckLayoutRow(UUID.randomUUID(), family.code());
            fill(row, start, "Undo Knot");
            row.shipped = true;
            rows.save(row);
        }
    }

    public List<CheckLayoutRow> of(String familyCode) {
        return rows.findByFamilyCodeOrderByShippedDescNameAsc(familyCode);
    }

    public Optional<CheckLayoutRow> find(UUID id) {
        return rows.findById(id);
    }

    CheckLayoutRow save(CheckLayoutRow row) {
        return rows.saveAndFlush(row);
    }

    /** @throws Refused on the entry {@code layout} when there is no such layout */
    public CheckLayout get(UUID id) {
        return rows.findById(id)
                .map(this::parse)
                .orElseThrow(() -> Refused.entry("layout", "unknown", "Choose one of the check layouts in the list."));
    }

    public CheckLayout parse(CheckLayoutRow row) {
        try {
            return json.readValue(row.definition, CheckLayout.class);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("layout " + row.id + " in the database cannot be read", e);
        }
    }

    private String write(CheckLayout layout) {
        try {
            return json.writeValueAsString(layout);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("a layout cannot be written", e);
        }
    }
}
