package undoknot.treatment;

import static undoknot.treatment.BarredWork.*;

import java.util.EnumMap;
import java.util.EnumSet;
import java.util.Map;
import java.util.Set;
import undoknot.fluid.FluidUse;
import undoknot.head.Limits;
import undoknot.treatment.Gate.Code;

/**
 * What a method is to the head (handbook 8): the one table that limits, holds, findings and fluids are asked by. Every
 * method has its row.
 *
 * @param family the gate of the family's limit that it needs, null when no limit speaks of it; passing is asked of the limits
 * @param power whether the mains must be on
 * @param use where its fluid goes; null when it takes none
 * @param barredBy findings' bars that stop it until they are mended
 */
record MethodOnHead(Code family, boolean power, FluidUse use, Set<BarredWork> barredBy) {

    private static final Map<Method, MethodOnHead> TABLE = new EnumMap<>(Method.class);

    static {
        pushed(Method.FLUSH);
        pushed(Method.WARM);
        pushed(Method.PURGE);
        pushed(Method.PRIME);
        row(Method.DRAW_BACK, Code.NO_SUCTION, FluidUse.FLUSH, SUCTION);
        row(Method.PORT_SOAK, null, FluidUse.PORT_SOAK);
        row(Method.TRAY_SOAK, Code.NO_SUBMERGE, FluidUse.TRAY_SOAK);
        row(Method.RINSE, Code.NO_RINSE, FluidUse.FLUSH);
        row(Method.BATH, Code.NO_BATH, FluidUse.BATH, BATH_AND_STEAM);
        row(Method.STEAM, Code.NO_STEAM, FluidUse.FLUSH, BATH_AND_STEAM);
        row(Method.WIPE, null, FluidUse.FACE, WIPING_IN_PLACE);
        row(Method.PAD, null, FluidUse.FACE);
        row(Method.VAPOUR, null, FluidUse.FACE);
        // Suction at the damper is away from the head, and so is what is pushed through a line that is off it.
        row(Method.DRAW_IN, null, FluidUse.FLUSH);
        row(Method.DAMPER, null, FluidUse.FLUSH);
        row(Method.LINE, null, FluidUse.FLUSH);
        row(Method.CARTRIDGE, null, FluidUse.FLUSH);
        row(Method.STATION, null, FluidUse.STATION);
        row(Method.UNDERSIDE, null, FluidUse.STATION);
        row(Method.STRIP, null, FluidUse.STATION);
        row(Method.RESEAT, null, FluidUse.CONTACTS);
        row(Method.REST, null, null);
        powered(Method.CYCLE, null, CYCLES);
        powered(Method.CYCLE_STRONG, null, CYCLES, STRONG_CYCLES);
        powered(Method.PAGE, null, CYCLES);
        powered(Method.CHARGE, FluidUse.FLUSH, CYCLES, STRONG_CYCLES);
        powered(Method.SYSTEM, FluidUse.FLUSH, STRONG_CYCLES);
        powered(Method.ALIGN, null);
        for (Method method : Method.values()) {
            if (!TABLE.containsKey(method)) {
                throw new IllegalStateException(method + " has no row in the table of what each method is to the head");
            }
        }
    }

    static MethodOnHead of(Method method) {
        return TABLE.get(method);
    }

    /** Whether a family's limits let it be done; a bath by a lead's consent counts as allowed. */
    boolean allowedBy(Limits limits) {
        return family == null
                || switch (family) {
                    case NO_PUSH -> limits.pushKpa() != null;
                    case NO_SUCTION -> limits.suctionKpa() != null;
                    case NO_SUBMERGE -> limits.submerge() != Limits.Submerge.NO;
                    case NO_BATH -> limits.bath() != Limits.Bath.NO;
                    case NO_RINSE -> limits.rinse();
                    case NO_STEAM -> limits.steam();
                    default -> throw new IllegalStateException(family + " is no limit of a family");
                };
    }

    private static void pushed(Method method) {
        row(method, Code.NO_PUSH, FluidUse.FLUSH, PUSHING);
    }

    private static void powered(Method method, FluidUse use, BarredWork... barredBy) {
        Set<BarredWork> bars = EnumSet.of(POWER, barredBy);
        TABLE.put(method, new MethodOnHead(null, true, use, bars));
    }

    private static void row(Method method, Code family, FluidUse use, BarredWork... barredBy) {
        TABLE.put(method, new MethodOnHead(family, false, use, Set.of(barredBy)));
    }
}
