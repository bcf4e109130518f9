package undoknot.treatment;

import static undoknot.treatment.Method.*;

import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.function.Predicate;
import undoknot.fluid.FluidKind;

/**
 * Cautions of handbook 17 and the work each goes with. They are shown, they do not block, and they defer to the
 * printer's and the fluid's own safety data, local codes and licensed practice.
 */
public enum Caution {
    /** Whatever is done by a syringe. */
    GOGGLES_SYRINGE(FLUSH, WARM, PURGE, PRIME, PORT_SOAK, DRAW_BACK, DRAW_IN, DAMPER, LINE),
    GLOVES(w -> !w.isPowered() && w.method() != REST),
    MAINS_OFF(
            FLUSH, WARM, PURGE, PRIME, PORT_SOAK, TRAY_SOAK, DRAW_IN, WIPE, PAD, VAPOUR, STATION, UNDERSIDE, STRIP,
            RESEAT, DAMPER, LINE),
    DRY_HANDS_AT_PLUG(w -> w.isPowered() || w.method() == BATH),
    NEVER_DEFEAT_LID_SWITCH(Work::isPowered),
    HANDS_OUT_OF_TANK(BATH),
    BOARD_STAYS_DRY(PORT_SOAK, TRAY_SOAK, RINSE, BATH, STEAM, DRAW_BACK),
    PAD_SIPHONS(PAD, VAPOUR, PORT_SOAK, TRAY_SOAK),
    WASTE_STORE_ROOM(CYCLE, CYCLE_STRONG, CHARGE, SYSTEM),
    WARM_SCALDS(w -> w.temperatureC() > Gates.ROOM_C || w.method() == STEAM),
    VENTILATE_NO_FLAME(w -> w.fluid() != null && w.fluid().givesVapour()),
    NEVER_HEAT_OR_BATH(w -> w.fluid() != null && w.fluid().givesVapour()),
    AMMONIA_BLEACH_NEVER_MEET(w -> w.fluid() == FluidKind.AMMONIA_CLEANER),
    FOOD_TOOLS(Work::foodHead),
    COLLECTED_WASTE(w -> true);

    /**
     * The work a caution is asked for.
     *
     * @param method what is done, null when that is not chosen yet
     * @param fluid the fluid, null when there is none
     * @param temperatureC fluid temperature, °C
     */
    public record Work(Method method, FluidKind fluid, double temperatureC, boolean foodHead) {
        boolean isPowered() {
            return method != null && method.needsPower();
        }
    }

    private final Predicate<Work> goesWith;

    Caution(Method... methods) {
        Set<Method> all = Set.of(methods);
        this.goesWith = w -> w.method() != null && all.contains(w.method());
    }

    Caution(Predicate<Work> goesWith) {
        this.goesWith = goesWith;
    }

    public static List<Caution> of(Work work) {
        return Arrays.stream(values()).filter(c -> c.goesWith.test(work)).toList();
    }
}
