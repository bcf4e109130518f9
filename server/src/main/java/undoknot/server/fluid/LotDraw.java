package undoknot.server.fluid;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.math.BigDecimal;
import java.time.Instant;
import java.util.UUID;

/** Fluid that left a lot, or came back to it when a slip was withdrawn (then below zero). Only ever added to. */
@Entity
@Table(name = "lot_draw")
public class LotDraw {
    @Id
    public UUID id;

    public UUID lotId;
    /** The work it was drawn for; null when it was for something else. */
    public UUID attemptId;

    /** The look, step or mixture it was drawn for; null when it was for work. */
    public UUID drawnFor;

    public BigDecimal volumeMl;
    public Instant drawnAt;
    public String drawnBy;

    protected LotDraw() {}

    public LotDraw(UUID lotId, UUID attemptId, BigDecimal volumeMl, Instant drawnAt, String drawnBy) {
        this.id = UUID.randomUUID();
        this.lotId = lotId;
        this.attemptId = attemptId;
        this.volumeMl = volumeMl;
        this.drawnAt = drawnAt;
        this.drawnBy = drawnBy;
    }
}
