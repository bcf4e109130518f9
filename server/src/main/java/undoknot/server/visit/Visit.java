package undoknot.server.visit;

import jakarta.persistence.Column;
import jakarta.persistence.Convert;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.hibernate.envers.Audited;
import org.hibernate.envers.NotAudited;
import undoknot.nozzle.JobClass;
import undoknot.outcome.Outcome;
import undoknot.outcome.Outcome.Doubt;
import undoknot.outcome.Purpose;

/** One stay of a head in the shop. */
@Entity
@Audited
@Table(name = "visit")
public class Visit {
    @Id
    public UUID id;

    @Version
    public Long version;

    /** How often something was logged on it; counted by {@link Visits#count} alone, as its row is locked. */
    @NotAudited
    @Column(insertable = false, updatable = false)
    public long changes;

    public String tag;

    /** Kept by the database, to be found by its end. */
    @NotAudited
    @Column(insertable = false, updatable = false)
    public String tagBackwards;

    public UUID headId;
    public UUID customerId;

    /** What it came in for. */
    @Enumerated(EnumType.STRING)
    public Purpose purpose = Purpose.REPAIR;

    @Enumerated(EnumType.STRING)
    public JobClass jobClass;

    public LocalDate promisedOn;

    /** An {@link Intake} as JSON: what was told and seen at take-in. */
    @Column(columnDefinition = "longtext")
    public String intake;

    public Instant openedAt;
    public String openedBy;
    public Instant closedAt;
    public String closedBy;

    @Enumerated(EnumType.STRING)
    public Outcome outcome;

    /** Why an outcome stands although the readings say otherwise, or a word to the customer. */
    public String outcomeReason;

    /** What spoke against the outcome when it was signed off: read by who signed, and answered by {@link #outcomeReason}. */
    @Convert(converter = DoubtNames.class)
    public List<Doubt> overruled = List.of();

    /** Number of the house rules it is judged by; null for those a new shop starts from. */
    public Integer houseRules;

    /** {@link undoknot.server.outcome.WorthTerms} as JSON; null while nothing was entered. */
    @Column(columnDefinition = "longtext")
    public String worth;

    /** A plan that somebody changed, as JSON; null while it goes by the rules. */
    @Column(columnDefinition = "longtext")
    public String plan;

    /** A {@link Need} as JSON: what an ink change or a whole-system flush was worked out from; null while nothing was. */
    @Column(columnDefinition = "longtext")
    public String need;

    /** {@link undoknot.server.outcome.BillTerms} as JSON; null while nothing was entered. */
    @Column(columnDefinition = "longtext")
    public String bill;

    /** What the customer was told of what the readings cannot show; null where that was not asked. */
    @Enumerated(EnumType.STRING)
    public Told told;

    /** When, by whom and why a return was taken back last; null when it never was. */
    public Instant reopenedAt;

    public String reopenedBy;
    public String reopenedWhy;

    /** What a customer is told at the return. */
    public enum Told {
        /** Bars show neither single gaps nor bent dashes. */
        WHAT_BARS_HIDE,
        /** A stream or a draw is no print. */
        NOT_PROVEN_BY_PRINT
    }

    protected Visit() {}

    public Visit(UUID id, String tag, Instant openedAt, String openedBy) {
        this.id = id;
        this.tag = tag;
        this.openedAt = openedAt;
        this.openedBy = openedBy;
    }
}
