package undoknot.treatment;

import static undoknot.treatment.BarredWork.*;
import static undoknot.treatment.MethodOnHead.Danger.*;
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
 * @param dangers what of it can hurt; cautions are told by it
 */
record MethodOnHead(Code family, Where where, Wets wets, FluidUse use, Set<BarredWork> barredBy, Set<Danger> dangers) {

    /** What of it can hurt, besides what place, power and fluid say by themselves (handbook 17). */
    enum Danger {
        /** A syringe is in the hand. */
        SYRINGE,
        /** The board is near fluid. */
        BOARD,
        /** A wet pad or a fluid level stands where ink can be drawn out of a connected cartridge. */
        SIPHON,
        TANK,
        HOT,
        /** What it sends to the waste store needs room there. */
        WASTE
    }

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
        row(Method.PORT_SOAK, null, EITHER, BY_PORT, FluidUse.PORT_SOAK, bars(), SYRINGE, BOARD, SIPHON);
        row(Method.DRAW_BACK, Code.NO_SUCTION, BENCH, BODY, FluidUse.FLUSH, bars(SUCTION), SYRINGE, BOARD);
        row(Method.TRAY_SOAK, Code.NO_SUBMERGE, BENCH, BASE_ASKED, FluidUse.TRAY_SOAK, bars(), BOARD, SIPHON);
        row(Method.RINSE, Code.NO_RINSE, BENCH, BODY_ASKED, FluidUse.FLUSH, bars(), BOARD);
        row(Method.BATH, Code.NO_BATH, BENCH, BASE_ASKED, FluidUse.BATH, bars(BATH_AND_STEAM), BOARD, TANK);
        row(Method.STEAM, Code.NO_STEAM, BENCH, BASE, FluidUse.FLUSH, bars(BATH_AND_STEAM), BOARD, HOT);
        row(Method.WIPE, null, EITHER, FACE, FluidUse.FACE, bars(WIPING_IN_PLACE, WIPING));
        row(Method.PAD, null, EITHER, FACE, FluidUse.FACE, bars(), SIPHON);
        row(Method.VAPOUR, null, EITHER, FACE, FluidUse.FACE, bars(), SIPHON);
        // Suction at the damper is away from the head, and so is what is pushed through a line that is off it.
        row(Method.DRAW_IN, null, CARRIAGE, PAD_ALONE, FluidUse.FLUSH, bars(), SYRINGE);
        row(Method.DAMPER, null, CARRIAGE, NOTHING, FluidUse.FLUSH, bars(), SYRINGE);
        row(Method.LINE, null, CARRIAGE, NOTHING, FluidUse.FLUSH, bars(), SYRINGE);
        row(Method.CARTRIDGE, null, CARRIAGE, NOTHING, FluidUse.FLUSH, bars());
        row(Method.STATION, null, EITHER, NOTHING, FluidUse.STATION, bars());
        row(Method.PARTS, null, EITHER, NOTHING, FluidUse.STATION, bars());
        row(Method.UNDERSIDE, null, EITHER, NOTHING, FluidUse.STATION, bars());
        row(Method.STRIP, null, EITHER, NOTHING, FluidUse.STATION, bars());
        row(Method.RESEAT, null, EITHER, CONTACTS, FluidUse.CONTACTS, bars());
        row(Method.REST, null, EITHER, NOTHING, null, bars());
        powered(Method.CYCLE, null, bars(CYCLES), WASTE);
        powered(Method.CYCLE_STRONG, null, bars(CYCLES, STRONG_CYCLES), WASTE);
        powered(Method.PAGE, null, bars(CYCLES));
        powered(Method.CHARGE, FluidUse.FLUSH, bars(CYCLES, STRONG_CYCLES), WASTE);
        powered(Method.SYSTEM, FluidUse.FLUSH, bars(STRONG_CYCLES), WASTE);
        powered(Method.ALIGN, null, bars());
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

    boolean touchesNothing() {
        return wets == NOTHING && (where == EITHER || where == CARRIAGE);
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

    /** Whether hands go into a machine that must be off for it; a cartridge is changed with the mains on. */
    boolean handsGoIn() {
        return !power() && where != BENCH && use != null && !isCartridge();
    }

    private boolean isCartridge() {
        return this == TABLE.get(Method.CARTRIDGE);
    }

    private static void pushed(Method method) {
        row(method, Code.NO_PUSH, EITHER, BY_PORT, FluidUse.FLUSH, bars(PUSHING), SYRINGE);
    }

    private static Set<BarredWork> bars(BarredWork... bars) {
        return Set.of(bars);
    }

    private static void powered(Method method, FluidUse use, Set<BarredWork> barredBy, Danger... dangers) {
        Set<BarredWork> bars = EnumSet.of(POWER);
        bars.addAll(barredBy);
        row(method, null, Where.POWERED, NOTHING, use, bars, dangers);
    }

    private static void row(
            Method method,
            Code family,
            Where where,
            Wets wets,
            FluidUse use,
            Set<BarredWork> barredBy,
            Danger... dangers) {
        TABLE.put(method, new MethodOnHead(family, where, wets, use, Set.copyOf(barredBy), Set.of(dangers)));
    }
}
