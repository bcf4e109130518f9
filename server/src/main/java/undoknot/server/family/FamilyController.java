package undoknot.server.family;

import jakarta.persistence.EntityManager;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.stream.Collectors;
import org.hibernate.envers.AuditReaderFactory;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.lang.Nullable;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import undoknot.head.Channel;
import undoknot.head.Family;
import undoknot.server.account.SignedIn;
import undoknot.server.head.Families;
import undoknot.server.head.FamilyRow;
import undoknot.server.head.Layouts;
import undoknot.server.problem.FieldProblem;
import undoknot.server.problem.Refused;
import undoknot.server.visit.NozzleChecks;
import undoknot.server.write.RepeatableWrite;
import undoknot.server.write.Versions;

/** Families of the shop's own: added, copied and changed by a lead, on screen or as a file. */
@RestController
@RequestMapping("/api/families/{code}")
class FamilyController {

    private final Families families;
    private final Layouts layouts;
    private final NozzleChecks checks;
    private final RepeatableWrite writes;
    private final EntityManager entities;

    FamilyController(
            Families families, Layouts layouts, NozzleChecks checks, RepeatableWrite writes, EntityManager entities) {
        this.families = families;
        this.layouts = layouts;
        this.checks = checks;
        this.writes = writes;
        this.entities = entities;
    }

    /** @param version version seen, absent for a new family */
    record FamilyEntry(
            @Nullable Long version,
            @NotNull @Valid FamilyFile family,

            @NotBlank(message = "Say why the family is added or changed.")
            @Size(max = 2000, message = "Keep it to {max} signs.")
            String why) {}

    /** A change that was made. */
    record FamilyChange(Instant at, String by, String why) {}

    /**
     * @param inUse whether a head of it was ever read: then its channels keep their nozzles
     * @param changes newest first; empty for one that came with the product and was never changed
     */
    record FamilyWhole(long version, FamilyFile family, boolean inUse, List<FamilyChange> changes) {}

    @GetMapping
    @Transactional(readOnly = true)
    public FamilyWhole get(@PathVariable String code) {
        return whole(families.find(code).orElseThrow(() -> Refused.notFound("family")));
    }

    /** The same as a file, to be kept or to be read in another shop; its schema is family.schema.json. */
    @GetMapping("/file")
    ResponseEntity<FamilyFile> file(@PathVariable String code) {
        FamilyRow row = families.find(code).orElseThrow(() -> Refused.notFound("family"));
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_JSON)
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"family-" + row.code + ".json\"")
                .body(FamilyFile.of(families.definition(row)));
    }

    @PutMapping
    FamilyWhole put(@PathVariable String code, @Valid @RequestBody FamilyEntry entry) {
        if (!code.equals(entry.family().code())) {
            throw Refused.entry(
                    "family.code", "OTHER", "This is another family's code. Keep the code, or copy the family.");
        }
        Family family = entry.family().family();
        return writes.run(() -> {
            FamilyRow known = families.find(code).orElse(null);
            if (known != null) {
                Family stands = families.definition(known);
                if (stands.equals(family)) {
                    return whole(known);
                }
                if (entry.version() == null) {
                    throw Refused.entry("family.code", "TAKEN", "There is a family with this code. Choose another.");
                }
                Versions.check(known.version, entry.version(), () -> whole(known), entry);
                keepsWhatWasRead(stands, family);
            }
            FamilyRow row = families.keep(
                    known, family, SignedIn.now().displayName(), entry.why().strip());
            layouts.addIfNoneFits(family);
            return whole(row);
        });
    }

    /** Readings stay readable: a channel that was read keeps its code and its nozzles. */
    private void keepsWhatWasRead(Family stands, Family wanted) {
        if (!checks.anyOf(stands.code())) {
            return;
        }
        List<FieldProblem> wrong = new ArrayList<>();
        for (Channel channel : stands.channels()) {
            boolean same = wanted.channel(channel.code())
                    .filter(c -> c.nozzles() == channel.nozzles())
                    .isPresent();
            if (!same) {
                wrong.add(new FieldProblem(
                        "family.channels",
                        "WAS_READ",
                        "Heads of this family were read: channel " + channel.code() + " keeps its " + channel.nozzles()
                                + " nozzles. Copy the family to change it."));
            }
        }
        if (stands.driveGroups() != wanted.driveGroups()) {
            wrong.add(new FieldProblem(
                    "family.driveGroups",
                    "WAS_READ",
                    "Heads of this family were read. Copy the family to change this."));
        }
        if (!wrong.isEmpty()) {
            throw Refused.entries(wrong);
        }
    }

    private FamilyWhole whole(FamilyRow row) {
        List<?> kept = AuditReaderFactory.get(entities)
                .createQuery()
                .forRevisionsOfEntity(FamilyRow.class, true, true)
                .add(org.hibernate.envers.query.AuditEntity.id().eq(row.code))
                .addOrder(
                        org.hibernate.envers.query.AuditEntity.revisionNumber().desc())
                .getResultList();
        return new FamilyWhole(
                row.version,
                FamilyFile.of(families.definition(row)),
                checks.anyOf(row.code),
                kept.stream()
                        .map(FamilyRow.class::cast)
                        .filter(r -> Objects.nonNull(r.changedAt))
                        .map(r -> new FamilyChange(r.changedAt, r.changedBy, r.why))
                        .collect(Collectors.toList()));
    }
}
