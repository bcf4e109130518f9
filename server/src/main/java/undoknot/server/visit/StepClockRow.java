package undoknot.server.visit;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.hibernate.envers.Audited;
import undoknot.treatment.Wet;
import undoknot.visit.StepClock;
import undoknot.visit.Waiting;

/** A clock kept by the server; it knows when it is due, not how much is left. */
@Entity(name = "StepClock")
@Audited
@Table(name = "step_clock")
public class StepClockRow {
    @Id
    public UUID id;

    @Version
    public Long version;

    public UUID visitId;
    public UUID attemptId;

    @Enumerated(EnumType.STRING)
    public StepClock.Kind kind;

    public Instant startedAt;
    public String startedBy;
    public int plannedSeconds;
    public Instant stoppedAt;
    public String stoppedBy;
    public String note;

    /** What is waited for when no attempt has this clock; null otherwise. */
    @Enumerated(EnumType.STRING)
    public Waiting waiting;

    /** The port it is about; null for any other. */
    public String channel;

    /** Of a hold that was kept as a clock, before holds followed from the work: how far the head got wet. */
    @Enumerated(EnumType.STRING)
    public Wet wet;

    protected StepClockRow() {}

    public StepClockRow(
            UUID id,
            UUID visitId,
            UUID attemptId,
            StepClock.Kind kind,
            Instant startedAt,
            String startedBy,
            Duration planned) {
        this.id = id;
        this.visitId = visitId;
        this.attemptId = attemptId;
        this.kind = kind;
        this.startedAt = startedAt;
        this.startedBy = startedBy;
        this.plannedSeconds = (int) planned.toSeconds();
        this.note = "";
    }

    public StepClock clock() {
        return new StepClock(startedAt, Duration.ofSeconds(plannedSeconds), Optional.ofNullable(stoppedAt));
    }

    public Instant dueAt() {
        return clock().dueAt();
    }
}
