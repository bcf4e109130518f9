package undoknot.fluid;

import static undoknot.fluid.FluidUse.BATH;
import static undoknot.fluid.FluidUse.CONTACTS;
import static undoknot.fluid.FluidUse.FACE;
import static undoknot.fluid.FluidUse.FLUSH;
import static undoknot.fluid.FluidUse.PORT_SOAK;
import static undoknot.fluid.FluidUse.STATION;
import static undoknot.fluid.FluidUse.TRAY_SOAK;

import java.util.Set;

/**
 * Kinds of fluid and where each may be used (handbook 11). Bleach, acids and strong solvents are no kinds: they never
 * stand on the shelf.
 */
public enum FluidKind {
    //                                                                             food   heat   contested
    DEIONISED_WATER(Set.of(FLUSH, PORT_SOAK, TRAY_SOAK, BATH, FACE, STATION), true, true, false),
    AQUEOUS_CLEANER(Set.of(FLUSH, PORT_SOAK, TRAY_SOAK, BATH, FACE, STATION), false, true, false),
    PIGMENT_FLUSH(Set.of(FLUSH, PORT_SOAK, TRAY_SOAK, FACE, STATION), false, true, false),
    FOOD_SAFE_CLEANER(Set.of(FLUSH, PORT_SOAK, TRAY_SOAK, BATH, FACE, STATION), true, true, false),
    RESIDUE_REMOVER(Set.of(TRAY_SOAK, FACE, STATION), false, false, false),
    ISOPROPYL_ALCOHOL(Set.of(FLUSH, PORT_SOAK, TRAY_SOAK, FACE, STATION, CONTACTS), false, false, true),
    AMMONIA_CLEANER(Set.of(FLUSH, PORT_SOAK, TRAY_SOAK, FACE, STATION), false, false, true),
    /** Mixed from a cleaner of the house: whether it may meet a food head is for the mark on its bottle to say. */
    CAPPING_FLUID(Set.of(STATION), true, false, false),
    INK(Set.of(FLUSH), true, false, false);

    private final Set<FluidUse> uses;
    private final boolean forFood;
    private final boolean mayBeWarmed;
    private final boolean contested;

    FluidKind(Set<FluidUse> uses, boolean forFood, boolean mayBeWarmed, boolean contested) {
        this.uses = uses;
        this.forFood = forFood;
        this.mayBeWarmed = mayBeWarmed;
        this.contested = contested;
    }

    public boolean allows(FluidUse use) {
        return uses.contains(use);
    }

    /** Whether the kind as such may touch a food head; the single bottle must be marked food-safe as well. */
    public boolean forFood() {
        return forFood;
    }

    public boolean mayBeWarmed() {
        return mayBeWarmed;
    }

    /** Practice divides: inside a head only where a lead has enabled it. */
    public boolean contested() {
        return contested;
    }

    public boolean givesVapour() {
        return this == RESIDUE_REMOVER || this == ISOPROPYL_ALCOHOL || this == AMMONIA_CLEANER;
    }
}
