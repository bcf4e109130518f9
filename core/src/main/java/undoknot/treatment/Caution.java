package undoknot.treatment;

import java.util.Arrays;
import java.util.List;
import java.util.function.Predicate;
import undoknot.fluid.FluidKind;

/**
 * Cautions of handbook 17 and the work each goes with. They are shown, they do not block, and they defer to the
 * printer's and the fluid's own safety data, local codes and licensed practice.
 */
public enum Caution {
    GOGGLES_SYRINGE(w -> w.kind() == Treatment.Kind.FLUSH),
    GLOVES(w -> w.kind() != Treatment.Kind.CYCLE),
    MAINS_OFF(w -> w.kind() == Treatment.Kind.FLUSH || w.kind() == Treatment.Kind.SOAK),
    DRY_HANDS_AT_PLUG(w -> w.kind() == Treatment.Kind.CYCLE || w.kind() == Treatment.Kind.BATH),
    NEVER_DEFEAT_LID_SWITCH(w -> w.kind() == Treatment.Kind.CYCLE),
    HANDS_OUT_OF_TANK(w -> w.kind() == Treatment.Kind.BATH),
    BOARD_STAYS_DRY(w -> w.kind() == Treatment.Kind.BATH || w.kind() == Treatment.Kind.SOAK),
    PAD_SIPHONS(w -> w.kind() == Treatment.Kind.SOAK),
    WASTE_STORE_ROOM(w -> w.kind() == Treatment.Kind.CYCLE),
    WARM_SCALDS(w -> w.temperatureC() > Gates.ROOM_C),
    VENTILATE_NO_FLAME(w -> w.fluid() != null && w.fluid().givesVapour()),
    NEVER_HEAT_OR_BATH(w -> w.fluid() != null && w.fluid().givesVapour()),
    AMMONIA_BLEACH_NEVER_MEET(w -> w.fluid() == FluidKind.AMMONIA_CLEANER),
    FOOD_TOOLS(Work::foodHead),
    COLLECTED_WASTE(w -> true);

    /**
     * The work a caution is asked for.
     *
     * @param fluid the fluid, null when there is none
     * @param temperatureC fluid temperature, °C
     */
    public record Work(Treatment.Kind kind, FluidKind fluid, double temperatureC, boolean foodHead) {}

    private final Predicate<Work> goesWith;

    Caution(Predicate<Work> goesWith) {
        this.goesWith = goesWith;
    }

    public static List<Caution> of(Work work) {
        return Arrays.stream(values()).filter(c -> c.goesWith.test(work)).toList();
    }
}
