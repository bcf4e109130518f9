package undoknot.server.head;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.boot.context.event.ApplicationStartedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import undoknot.head.Family;
import undoknot.head.Limits;
import undoknot.head.StarterFamilies;
import undoknot.server.problem.Refused;

/** The families the shop knows. A new shop starts with {@link StarterFamilies}. */
@Component
public class Families {

    private final FamilyRows rows;
    private final ObjectMapper json;
    private final FamilyLimits limits;
    private final Clock clock;
    /** Parsed definitions by their text, so that a changed row is parsed anew and an unchanged one never again. */
    private final Map<String, Family> parsed = new ConcurrentHashMap<>();

    private final Map<FamilyRows.Version, Family> standing = new ConcurrentHashMap<>();

    Families(FamilyRows rows, ObjectMapper json, FamilyLimits limits, Clock clock) {
        this.clock = clock;
        this.rows = rows;
        this.json = json;
        this.limits = limits;
    }

    @EventListener(ApplicationStartedEvent.class)
    @Order(1)
    void addStarterFamilies() {
        if (rows.count() == 0) {
            for (Family family : StarterFamilies.ALL) {
                rows.save(new FamilyRow(family.code(), family.name(), write(family)));
            }
        }
    }

    public List<Family> all() {
        Map<String, Limits> own = limits.limits();
        // Asked for with every page: which version stands is a short question, a definition is a long text.
        return rows.versions().stream()
                .map(version -> limited(
                        standing.computeIfAbsent(
                                version, v -> parse(rows.findById(v.code()).orElseThrow())),
                        own))
                .toList();
    }

    public Map<String, Family> byCode() {
        Map<String, Family> families = new TreeMap<>();
        all().forEach(family -> families.put(family.code(), family));
        return families;
    }

    /** @throws Refused on the entry {@code field} when there is no such family */
    public Family get(String code, String field) {
        return rows.findById(code)
                .map(row -> limited(parse(row), limits.limits()))
                .orElseThrow(() -> Refused.entry(field, "unknown", "Choose one of the families in the list."));
    }

    /** The row of a family; empty when there is none. */
    public Optional<FamilyRow> find(String code) {
        return rows.findById(code);
    }

    /** Limits that a family has before the house rules narrow them. */
    public Limits usualLimits(String code) {
        return rows.findById(code).map(row -> parse(row).limits()).orElseThrow();
    }

    /** The definition as it is kept, whatever the house rules narrow. */
    public Family definition(FamilyRow row) {
        return parse(row);
    }

    /** Keeps a definition with who and why; a new family gets a check layout of its own as well. */
    public FamilyRow keep(FamilyRow known, Family family, String by, String why) {
        String text = write(family);
        FamilyRow row = known == null ? new FamilyRow(family.code(), family.name(), text) : known;
        row.name = family.name();
        row.definition = text;
        row.changedAt = clock.instant();
        row.changedBy = by;
        row.why = why;
        return rows.saveAndFlush(row);
    }

    private String write(Family family) {
        try {
            return json.writeValueAsString(family);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("a family cannot be written", e);
        }
    }

    private static Family limited(Family family, Map<String, Limits> limits) {
        Limits own = limits.get(family.code());
        return own == null ? family : family.withLimits(own);
    }

    private Family parse(FamilyRow row) {
        return parsed.computeIfAbsent(row.definition, text -> {
            try {
                return json.readValue(text, Family.class);
            } catch (JsonProcessingException e) {
                throw new IllegalStateException("family " + row.code + " in the database cannot be read", e);
            }
        });
    }
}
