package undoknot.server.fluid;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.UUID;
import org.hibernate.envers.Audited;
import undoknot.fluid.FluidKind;

/** One bottle on the shelf. */
@Entity
@Audited
@Table(name = "fluid_lot")
public class FluidLot {
    @Id
    public UUID id;

    @Version
    public Long version;

    public String name;

    @Enumerated(EnumType.STRING)
    public FluidKind kind;

    public String maker;
    public String lotCode;
    public boolean foodSafe;
    public LocalDate openedOn;
    public LocalDate expiresOn;
    public BigDecimal bottleMl;
    public BigDecimal remainingMl;
    public BigDecimal price;
    public String hazards;

    /** How thick it is against water; null while nobody knows. */
    public BigDecimal viscosityFactor;

    /** The day it was mixed here; null for one that was bought. */
    public LocalDate madeOn;

    /** Parts it was mixed from, as JSON; null for one that was bought. */
    @jakarta.persistence.Column(columnDefinition = "longtext")
    public String mixedFrom;

    protected FluidLot() {}

    public FluidLot(UUID id) {
        this.id = id;
    }
}
