package undoknot.treatment;

import static undoknot.treatment.BarredWork.*;
import static undoknot.treatment.MethodOnHead.Wets.*;
import static undoknot.treatment.MethodOnHead.Where.*;

import java.util.EnumMap;
import java.util.EnumSet;
import java.util.Map;
import java.util.Set;
import undoknot.fluid.FluidUse;
import undoknot.head.Channel;
import undoknot.head.Family;
import undoknot.head.Limits;
import undoknot.treatment.Gate.Code;

/**
 * What a method is to the head (handbook 8): the one table that limits, places, holds, findings and fluids are asked by.
 * Every method has its row.
 *
 * @param family the gate of the family's limit that it needs, null when no limit speaks of it; passing is asked of the limits
 * @param where the head is meanwhile
 * @param wets what of the head it wets
 * @param use where its fluid goes; null when it takes none
 * @param barredBy findings' bars that stop it until they are mended
 */
record MethodOnHead(Code family, Where where, Wets wets, FluidUse use, Set<BarredWork> barredBy) {

    enum Where {
        /** In the carriage, mains on. */
        POWERED,
        /** In the carriage, mains off. */
        CARRIAGE,
        BENCH,
        EITHER
    }

    enum Wets {
        NOTHING,
        /** Fluid at the port: in the carriage nothing, unless somebody looks and finds it; on the bench the base. Asked. */
        BY_PORT(Wet.BASE_ONLY, true, true),
        BASE(Wet.BASE_ONLY, false, true),
        /** The base, or deeper, as it is asked afterwards. */
        BASE_ASKED(Wet.BASE_ONLY, true, true),
        BODY(Wet.BODY, false, true),
        BODY_ASKED(Wet.BODY, true, true),
        FACE(null, false, true),
        /** Ink drawn past the head: nothing of it, but a pad lies under it. */
        PAD_ALONE(null, false, true),
        /** Contacts, with a volatile fluid that evaporates. */
        CONTACTS;

        private final Wet onBench;
        private final boolean asked;
        private final boolean pad;

        Wets() {
            this(null, false, false);
        }

        Wets(Wet onBench, boolean asked, boolean pad) {
            this.onBench = onBench;
            this.asked = asked;
            this.pad = pad;
        }
    }

    private static final Map<Method, MethodOnHead> TABLE = new EnumMap<>(Method.class);

    static {
        pushed(Method.FLUSH);
        pushed(Method.WARM);
        pushed(Method.PURGE);
        pushed(Method.PRIME);
        row(Method.PORT_SOAK, null, EITHER, BY_PORT, FluidUse.PORT_SOAK);
        row(Method.DRAW_BACK, Code.NO_SUCTION, BENCH, BODY, FluidUse.FLUSH, SUCTION);
        row(Method.TRAY_SOAK, Code.NO_SUBMERGE, BENCH, BASE_ASKED, FluidUse.TRAY_SOAK);
        row(Method.RINSE, Code.NO_RINSE, BENCH, BODY_ASKED, FluidUse.FLUSH);
        row(Method.BATH, Code.NO_BATH, BENCH, BASE_ASKED, FluidUse.BATH, BATH_AND_STEAM);
        row(Method.STEAM, Code.NO_STEAM, BENCH, BASE, FluidUse.FLUSH, BATH_AND_STEAM);
        row(Method.WIPE, null, EITHER, FACE, FluidUse.FACE, WIPING_IN_PLACE, WIPING);
        row(Method.PAD, null, EITHER, FACE, FluidUse.FACE);
        row(Method.VAPOUR, null, EITHER, FACE, FluidUse.FACE);
        // Suction at the damper is away from the head, and so is what is pushed through a line that is off it.
        row(Method.DRAW_IN, null, CARRIAGE, PAD_ALONE, FluidUse.FLUSH);
        row(Method.DAMPER, null, CARRIAGE, NOTHING, FluidUse.FLUSH);
        row(Method.LINE, null, CARRIAGE, NOTHING, FluidUse.FLUSH);
        row(Method.CARTRIDGE, null, CARRIAGE, NOTHING, FluidUse.FLUSH);
        row(Method.STATION, null, EITHER, NOTHING, FluidUse.STATION);
        row(Method.UNDERSIDE, null, EITHER, NOTHING, FluidUse.STATION);
        row(Method.STRIP, null, EITHER, NOTHING, FluidUse.STATION);
        row(Method.RESEAT, null, EITHER, CONTACTS, FluidUse.CONTACTS);
        row(Method.REST, null, EITHER, NOTHING, null);
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

    boolean power() {
        return where == POWERED;
    }

    /** Whether it can be done where the head is. */
    boolean goesAt(Site site) {
        return switch (where) {
            case POWERED, CARRIAGE -> site == Site.IN_CARRIAGE;
            case BENCH -> site == Site.ON_BENCH;
            case EITHER -> true;
        };
    }

    /** What it wets of a head at that place, as far as it is not asked; null for nothing. */
    Wet wet(Site site) {
        return site == Site.ON_BENCH ? wets.onBench : null;
    }

    /** Whether contacts and board are looked at afterwards, before there is power again. */
    boolean asksAfterwards() {
        return wets.asked;
    }

    /** Whether a pad lies under the head in the carriage until it is taken out. */
    boolean leavesPad(Site site) {
        return site == Site.IN_CARRIAGE && wets.pad;
    }

    boolean wetsContacts() {
        return wets == CONTACTS;
    }

    boolean wetsFace() {
        return wets == FACE;
    }

    /** Whether a family allows it; a bath, or taking the head out, by a lead's consent counts as allowed. */
    boolean allowedBy(Family head) {
        return limitAllows(head.limits())
                && (where != BENCH || head.limits().removable() != Limits.Removable.NO)
                && (family != Code.NO_PUSH || head.channels().stream().anyMatch(Channel::takesPush));
    }

    boolean limitAllows(Limits limits) {
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
        row(method, Code.NO_PUSH, EITHER, BY_PORT, FluidUse.FLUSH, PUSHING);
    }

    private static void powered(Method method, FluidUse use, BarredWork... barredBy) {
        row(
                method,
                null,
                Where.POWERED,
                NOTHING,
                use,
                EnumSet.of(POWER, barredBy).toArray(BarredWork[]::new));
    }

    private static void row(Method method, Code family, Where where, Wets wets, FluidUse use, BarredWork... barredBy) {
        TABLE.put(method, new MethodOnHead(family, where, wets, use, Set.of(barredBy)));
    }
}
