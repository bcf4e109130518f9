package undoknot.treatment;

import java.util.Arrays;
import java.util.List;
import java.util.function.Predicate;
import undoknot.fluid.FluidKind;
import undoknot.treatment.MethodOnHead.Danger;

/**
 * Cautions of handbook 17 and the work each goes with, by the table of what each method is to the head. They are shown, they do not block, and they defer to the
 * printer's and the fluid's own safety data, local codes and licensed practice.
 */
public enum Caution {
    /** Whatever is done by a syringe. */
    GOGGLES_SYRINGE(Danger.SYRINGE),
    GLOVES(w -> !w.isPowered() && w.method() != Method.REST),
    MAINS_OFF(w -> w.onHead() != null && w.onHead().handsGoIn()),
    DRY_HANDS_AT_PLUG(w -> w.isPowered() || w.has(Danger.TANK)),
    NEVER_DEFEAT_LID_SWITCH(Work::isPowered),
    HANDS_OUT_OF_TANK(Danger.TANK),
    BOARD_STAYS_DRY(Danger.BOARD),
    PAD_SIPHONS(Danger.SIPHON),
    WASTE_STORE_ROOM(Danger.WASTE),
    WARM_SCALDS(w -> w.temperatureC() > Gates.ROOM_C || w.has(Danger.HOT)),
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
        MethodOnHead onHead() {
            return method == null ? null : MethodOnHead.of(method);
        }

        boolean isPowered() {
            return method != null && onHead().power();
        }

        boolean has(Danger danger) {
            return method != null && onHead().dangers().contains(danger);
        }
    }

    private final Predicate<Work> goesWith;

    Caution(Danger danger) {
        this.goesWith = w -> w.has(danger);
    }

    Caution(Predicate<Work> goesWith) {
        this.goesWith = goesWith;
    }

    public static List<Caution> of(Work work) {
        return Arrays.stream(values()).filter(c -> c.goesWith.test(work)).toList();
    }
}
