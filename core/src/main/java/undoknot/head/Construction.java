package undoknot.head;

import static undoknot.head.Limits.Bath.HUNG;
import static undoknot.head.Limits.Bath.LEAD_ONLY;
import static undoknot.head.Limits.Submerge.BASE_ONLY;
import static undoknot.head.Limits.Submerge.FACE_ONLY;

/**
 * How a head is built, and what that allows (handbook 9). The limits here are what a family starts from; a family may
 * carry narrower ones.
 */
public enum Construction {
    //                              push   suction submerge              bath            rinse  steam  heat
    LAMINATED_PIEZO(new Limits(null, 40.0, FACE_ONLY, LEAD_ONLY, false, false, 45)),
    // Fixed in the carriage: whether it comes out is for the family to say, and a lead until it does.
    DESK_PIEZO(new Limits(60.0, 40.0, Limits.Submerge.NO, Limits.Bath.NO, false, false, 60)
            .with(Limits.Removable.LEAD_ONLY)),
    THERMAL_BLADDER(new Limits(15.0, null, BASE_ONLY, HUNG, true, true, 50)),
    THERMAL_OPEN(new Limits(40.0, 30.0, BASE_ONLY, HUNG, true, true, 60)),
    METERED_PIEZO(new Limits(60.0, null, Limits.Submerge.NO, Limits.Bath.NO, false, false, 60)),
    WIDE_PIEZO(new Limits(40.0, 40.0, Limits.Submerge.NO, Limits.Bath.NO, false, false, 50));

    private final Limits limits;

    Construction(Limits limits) {
        this.limits = limits;
    }

    /** Whether lines, dampers or sub-tanks feed it; thermal heads carry their cartridges and have neither. */
    public boolean hasDampers() {
        return this != THERMAL_BLADDER && this != THERMAL_OPEN;
    }

    public Limits limits() {
        return limits;
    }
}
