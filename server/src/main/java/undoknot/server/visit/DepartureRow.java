package undoknot.server.visit;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import undoknot.advice.Advice;

/** Something else was done than what was advised, and why. */
@Entity(name = "Departure")
@Table(name = "departure")
public class DepartureRow {
    @Id
    public UUID id;

    public UUID visitId;

    @Enumerated(EnumType.STRING)
    public Advice.Rule rule;

    /** What was advised: a method, a look or an act. */
    public String advised;

    public String reason;
    public Instant madeAt;
    public String madeBy;

    protected DepartureRow() {}

    public DepartureRow(
            UUID id, UUID visitId, Advice.Rule rule, String advised, String reason, Instant madeAt, String madeBy) {
        this.id = id;
        this.visitId = visitId;
        this.rule = rule;
        this.advised = advised;
        this.reason = reason;
        this.madeAt = madeAt;
        this.madeBy = madeBy;
    }

    /** Whether another one departs from the same on the same visit, for the same reason. */
    public boolean says(DepartureRow other) {
        return visitId.equals(other.visitId)
                && rule == other.rule
                && advised.equals(other.advised)
                && reason.equals(other.reason);
    }
}
