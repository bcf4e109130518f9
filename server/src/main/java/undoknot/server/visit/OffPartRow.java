package undoknot.server.visit;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.envers.Audited;
import undoknot.finish.OffPart;

/** Something that came off a machine, or was laid into it, and how it came back. */
@Entity(name = "OffPart")
@Audited
@Table(name = "off_part")
public class OffPartRow {
    @Id
    public UUID id;

    @Version
    public Long version;

    public UUID visitId;

    @Enumerated(EnumType.STRING)
    public OffPart.Kind kind;

    public String name;
    public String channel;
    public int count = 1;

    /** Length and place of screws, which way a seal faces. */
    public String note = "";

    public Instant offAt;
    public String offBy;

    /** How many are back; null while none was put back. */
    public Integer backCount;

    /** Of a cartridge: what the machine's light and its menu say. */
    public Boolean light;

    public Boolean menu;

    /** It does not go back, for the reason in {@link #backNote}. */
    public boolean stays;

    public String backNote = "";
    public Instant backAt;
    public String backBy;

    /** Taken back: entered by mistake. */
    public boolean withdrawn;

    protected OffPartRow() {}

    public OffPartRow(UUID id, UUID visitId, Instant offAt, String offBy) {
        this.id = id;
        this.visitId = visitId;
        this.offAt = offAt;
        this.offBy = offBy;
    }

    public OffPart part() {
        return new OffPart(
                id.toString(),
                kind,
                name,
                channel,
                count,
                note,
                offAt,
                backAt == null ? null : new OffPart.Back(backCount, light, menu, stays));
    }
}
