package undoknot.server.waste;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.math.BigDecimal;
import java.util.UUID;
import org.hibernate.envers.Audited;

/** A container that takes spent fluid. */
@Entity
@Audited
@Table(name = "waste_container")
public class WasteContainer {
    @Id
    public UUID id;

    @Version
    public Long version;

    public String name;
    public BigDecimal capacityMl;

    /** What went in since it was emptied, mL; more than it holds where somebody logged an overflow. */
    public BigDecimal levelMl;

    protected WasteContainer() {}

    public WasteContainer(UUID id, String name, BigDecimal capacityMl) {
        this.id = id;
        this.name = name;
        this.capacityMl = capacityMl;
        this.levelMl = BigDecimal.ZERO;
    }

    public BigDecimal roomMl() {
        return capacityMl.subtract(levelMl).max(BigDecimal.ZERO);
    }
}
