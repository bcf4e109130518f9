package undoknot.server.visit;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.time.LocalDate;
import java.util.UUID;
import org.hibernate.envers.Audited;

/** One reading on a visit: a nozzle map, or the reason why no check could be printed. */
@Entity
@Audited
@Table(name = "nozzle_check")
public class NozzleCheck {
    @Id
    public UUID id;

    @Version
    public Long version;

    public UUID visitId;
    public Instant takenAt;

    /** When it was typed, when that was later; null when it was logged as it was read. */
    public Instant enteredAt;

    public String takenBy;

    /** Compact text of each channel as JSON; null when no check was possible. */
    @Column(columnDefinition = "longtext")
    public String reading;

    /** The scan it was read from, or null when it was entered by hand. */
    public UUID scanId;

    /** What the reader saw on that scan, in the form of {@link #reading}; where the two differ, a person corrected it. */
    @Column(columnDefinition = "longtext")
    public String readAs;

    /** Nozzles with another channel's ink on that scan, by channel as JSON; null without a scan. */
    @Column(columnDefinition = "longtext")
    public String foreignInk;

    /** A {@link undoknot.nozzle.CoarseReading} as JSON, instead of a reading. */
    @Column(columnDefinition = "longtext")
    public String coarse;

    /** Gates it was printed against as JSON, and why; null when none was in the way. */
    @Column(columnDefinition = "longtext")
    public String against;

    public String departureReason;

    public String notPossible;

    /** Why nothing was read although no fault forbids it; null for any other check. */
    @Enumerated(EnumType.STRING)
    public NotTaken notTaken;

    /** The day of a check that the customer kept and brought along; null for one that was read here. */
    public LocalDate toldOn;

    public String note;

    /** Made by a stand-in, not printed by a head. */
    public boolean simulated;

    protected NozzleCheck() {}

    public NozzleCheck(UUID id, UUID visitId, Instant takenAt, String takenBy) {
        this.id = id;
        this.visitId = visitId;
        this.takenAt = takenAt;
        this.takenBy = takenBy;
    }
}
