package undoknot.server.history;

import jakarta.persistence.EntityManager;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.hibernate.envers.AuditReader;
import org.hibernate.envers.AuditReaderFactory;
import org.hibernate.envers.RevisionType;
import org.hibernate.envers.query.AuditEntity;
import org.springframework.lang.Nullable;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;
import undoknot.server.alsofound.AlsoFound;
import undoknot.server.scan.Scan;
import undoknot.server.visit.Attempt;
import undoknot.server.visit.DiagnosisRow;
import undoknot.server.visit.FindingRow;
import undoknot.server.visit.HeadEntryRow;
import undoknot.server.visit.InHandRow;
import undoknot.server.visit.NozzleCheck;
import undoknot.server.visit.OffPartRow;
import undoknot.server.visit.ProcedureEntry;
import undoknot.server.visit.StepClockRow;
import undoknot.server.visit.Visit;

/** Every change on a visit: who, when, before and after. */
@RestController
class HistoryController {

    private static final Map<Class<?>, String> KEPT = Map.ofEntries(
            Map.entry(Visit.class, "VISIT"),
            Map.entry(NozzleCheck.class, "CHECK"),
            Map.entry(Scan.class, "SCAN"),
            Map.entry(DiagnosisRow.class, "DIAGNOSIS"),
            Map.entry(Attempt.class, "ATTEMPT"),
            Map.entry(StepClockRow.class, "CLOCK"),
            Map.entry(FindingRow.class, "FINDING"),
            Map.entry(HeadEntryRow.class, "HEAD"),
            Map.entry(ProcedureEntry.class, "STEP"),
            Map.entry(AlsoFound.class, "ALSO_FOUND"),
            Map.entry(OffPartRow.class, "PART"),
            Map.entry(InHandRow.class, "IN_HAND"));

    private final EntityManager entities;

    HistoryController(EntityManager entities) {
        this.entities = entities;
    }

    /** @param what VISIT, CHECK, SCAN, DIAGNOSIS, ATTEMPT, CLOCK, FINDING, HEAD, STEP, ALSO_FOUND, PART or IN_HAND */
    record Change(Instant at, String by, String what, UUID id, boolean isNew, List<FieldChange> fields) {}

    record FieldChange(
            String name, @Nullable String before, @Nullable String after) {}

    @GetMapping("/api/visits/{visitId}/history")
    @Transactional(readOnly = true)
    public List<Change> history(@PathVariable UUID visitId) {
        AuditReader reader = AuditReaderFactory.get(entities);
        List<Change> changes = new ArrayList<>();
        KEPT.forEach((type, name) -> {
            var query = reader.createQuery().forRevisionsOfEntity(type, false, true);
            query.add(
                    type == Visit.class
                            ? AuditEntity.id().eq(visitId)
                            : AuditEntity.property("visitId").eq(visitId));
            query.addOrder(AuditEntity.revisionNumber().asc());
            Map<Object, Object> last = new HashMap<>();
            for (Object row : query.getResultList()) {
                Object[] parts = (Object[]) row;
                Object after = parts[0];
                Revision revision = (Revision) parts[1];
                UUID id = (UUID) value(after, "id");
                Object before = last.put(id, after);
                List<FieldChange> fields = difference(before, after);
                if (type == InHandRow.class && fields.isEmpty()) {
                    // A tap in the steps alone: those tell it themselves.
                    continue;
                }
                changes.add(new Change(
                        Instant.ofEpochMilli(revision.changedAt),
                        revision.changedBy,
                        name,
                        id,
                        parts[2] == RevisionType.ADD,
                        fields));
            }
        });
        changes.sort(Comparator.comparing(Change::at).reversed());
        return changes;
    }

    private static List<FieldChange> difference(Object before, Object after) {
        List<FieldChange> fields = new ArrayList<>();
        for (var field : after.getClass().getFields()) {
            String name = field.getName();
            if (List.of("id", "version", "visitId", "recordVersion", "run").contains(name)) {
                continue;
            }
            String was = before == null ? null : text(value(before, name));
            String is = text(value(after, name));
            if (!Objects.equals(was, is)) {
                fields.add(new FieldChange(name, was, is));
            }
        }
        return fields;
    }

    private static String text(Object value) {
        return value == null || value.equals("") ? null : value.toString();
    }

    private static Object value(Object row, String field) {
        try {
            return row.getClass().getField(field).get(row);
        } catch (ReflectiveOperationException e) {
            throw new IllegalStateException(
                    "no field " + field + " in " + row.getClass().getSimpleName(), e);
        }
    }
}
