package undoknot.advice;

import static undoknot.practice.HouseQuestion.*;
import static undoknot.treatment.Method.*;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import undoknot.diagnosis.Cause;
import undoknot.head.Construction;
import undoknot.head.Family;
import undoknot.observation.Look;
import undoknot.practice.HouseRules;
import undoknot.practice.School;
import undoknot.treatment.Method;
import undoknot.treatment.WorkBetweenChecks;

/** What is tried for a cause, gentlest first, as far as the family and the house rules allow it (handbook 8, 9 and 12). */
public final class Ladder {

    /** Every rung stands for itself: what is done three times, each time longer, stands three times. */
    private static final List<Method> DRIED = List.of(
            CYCLE,
            PAD,
            FLUSH,
            PORT_SOAK,
            PORT_SOAK,
            FLUSH,
            PORT_SOAK,
            PORT_SOAK,
            WARM,
            TRAY_SOAK,
            RINSE,
            BATH,
            STEAM,
            CYCLE_STRONG);

    private static final List<Method> DRIED_LAMINATED =
            List.of(CYCLE, PAD, PAD, PAD, PAD, DRAW_BACK, TRAY_SOAK, DRAW_BACK, BATH);

    private static final List<Method> DRIED_METERED =
            List.of(CYCLE, FLUSH, PORT_SOAK, PORT_SOAK, FLUSH, PORT_SOAK, PORT_SOAK, WARM, PRIME);

    private static final List<Method> INK_LAMINATED = List.of(PAD, DRAW_BACK, TRAY_SOAK, DRAW_BACK, SYSTEM, CARTRIDGE);

    private static final Map<Cause, List<Method>> LADDERS = new EnumMap<>(Map.ofEntries(
            Map.entry(Cause.DRIED_INK, DRIED),
            Map.entry(Cause.AIR, List.of(PURGE, PURGE, DRAW_IN, CARTRIDGE, CHARGE, REST)),
            Map.entry(Cause.SUPPLY_RESTRICTED, List.of(DAMPER, DAMPER, LINE, CARTRIDGE, CHARGE)),
            Map.entry(Cause.CARTRIDGE_FAULT, List.of(CARTRIDGE, CARTRIDGE, DRAW_IN)),
            // What a dirty station has put into the nozzles stays there once it is clean.
            Map.entry(Cause.SERVICE_STATION, List.of(STATION)),
            Map.entry(Cause.FACE_DEBRIS, List.of(WIPE, PAD, VAPOUR, VAPOUR, VAPOUR)),
            Map.entry(Cause.CARRIAGE_DIRT, List.of(UNDERSIDE, UNDERSIDE)),
            Map.entry(Cause.ELECTRICAL, List.of(CYCLE)),
            Map.entry(Cause.CONTACTS, List.of(RESEAT, RESEAT, RINSE, RESEAT)),
            Map.entry(Cause.ALIGNMENT_ENCODER, List.of(ALIGN, STRIP, ALIGN)),
            Map.entry(Cause.PLATE_DAMAGE, List.of()),
            Map.entry(Cause.UNSUITABLE_INK, List.of(FLUSH, PORT_SOAK, FLUSH, WARM, RINSE, SYSTEM, CARTRIDGE)),
            Map.entry(Cause.NOT_THE_HEAD, List.of())));

    /** Fluid below this warms nothing, °C (handbook 8: warm fluid is 40 to 50 °C). */
    static final double LEAST_WARM_C = 40;

    /** What is looked at before hands mend it: a look is the cheaper, and the mend of what is sound is for nothing. */
    private static final Map<Method, Look> LOOKS = Map.of(
            STATION, Look.STATION,
            CARTRIDGE, Look.INK_LEVEL,
            DAMPER, Look.DAMPER,
            LINE, Look.LINE,
            PURGE, Look.AIR,
            DRAW_IN, Look.AIR,
            UNDERSIDE, Look.UNDERSIDE,
            STRIP, Look.ENCODER,
            WIPE, Look.FACE,
            VAPOUR, Look.FACE);

    private Ladder() {}

    /** The look that goes before a method on a head of this construction; empty when there is none. */
    static Optional<Look> lookBefore(Method method, Construction construction) {
        return Optional.ofNullable(LOOKS.get(method)).filter(look -> look.fits(construction));
    }

    /**
     * What of a head decides its ladder.
     *
     * @param food whether it serves food: volatile cleaners never go near it
     * @param stiff whether fluid went in stiffly, or it stood for more than a month
     * @param stuckPort whether a port would not take fluid at all
     */
    public record Head(Family family, HouseRules house, boolean food, boolean stiff, boolean stuckPort) {}

    public static List<Method> of(Cause cause, Head head) {
        List<Method> usual = cause == Cause.SERVICE_STATION
                ? Stream.concat(LADDERS.get(cause).stream(), dried(head).stream())
                        .toList()
                : cause == Cause.DRIED_INK
                        ? dried(head)
                        : cause == Cause.UNSUITABLE_INK && head.family().construction() == Construction.LAMINATED_PIEZO
                                ? INK_LAMINATED
                                : pushedOrDrawn(LADDERS.get(cause), head);
        List<Method> ladder = afterStuckPort(usual, head).stream()
                .map(m -> byHouse(m, cause, head))
                .flatMap(Optional::stream)
                .filter(m -> m.allowedBy(head.family())
                        && hasPartsFor(m, head.family().construction()))
                .filter(m -> !(head.food() && m == VAPOUR))
                .toList();
        return strongOnce(ladder);
    }

    /** A strong cycle is run once (handbook 12): a shop that begins with one does not end with another. */
    private static List<Method> strongOnce(List<Method> ladder) {
        List<Method> once = new ArrayList<>(ladder);
        int first = once.indexOf(CYCLE_STRONG);
        while (first >= 0 && once.lastIndexOf(CYCLE_STRONG) > first) {
            once.remove(once.lastIndexOf(CYCLE_STRONG));
        }
        return List.copyOf(once);
    }

    private static List<Method> dried(Head head) {
        return switch (head.family().construction()) {
            // Nothing may be pushed into a laminated head; drawing back is its method of choice.
            case LAMINATED_PIEZO -> DRIED_LAMINATED;
            case METERED_PIEZO -> pushedOrDrawn(DRIED_METERED, head);
            case DESK_PIEZO, WIDE_PIEZO -> pushedOrDrawn(DRIED, head);
            case THERMAL_BLADDER, THERMAL_OPEN ->
                pushedOrDrawn(DRIED.stream().filter(m -> m != PAD).toList(), head);
        };
    }

    /** Whether a head has what a method is done to: one that carries its cartridges has neither damper nor line. */
    static boolean hasPartsFor(Method method, Construction construction) {
        return switch (method) {
            case DAMPER, LINE, DRAW_IN, SYSTEM -> construction.hasDampers();
            default -> true;
        };
    }

    /** Where the shop draws rather than pushes, drawing takes the place of every stroke at the port. */
    private static List<Method> pushedOrDrawn(List<Method> ladder, Head head) {
        boolean draws = head.house().says(School.PushOrDraw.DRAW) && DRAW_BACK.allowedBy(head.family());
        return draws
                ? ladder.stream()
                        .map(m -> m == FLUSH || m == WARM ? DRAW_BACK : m)
                        .toList()
                : ladder;
    }

    /** What is done first once a port would not take fluid; its next stroke comes after that. */
    private static List<Method> afterStuckPort(List<Method> ladder, Head head) {
        if (!head.stuckPort() || !ladder.contains(FLUSH)) {
            return ladder;
        }
        List<Method> first = switch (head.house().answer(School.StuckPort.class)) {
            case SOAK -> List.of(PORT_SOAK, WARM, FLUSH);
            case RINSE_AGAIN -> List.of(RINSE, PORT_SOAK, WARM, FLUSH);
            case WARM_THEN_SOAK -> List.of(WARM, PORT_SOAK, FLUSH);
        };
        List<Method> rest = new ArrayList<>(ladder);
        first.forEach(rest::remove);
        return Stream.concat(first.stream(), rest.stream()).toList();
    }

    /** The method as the house rules would have it: itself, another in its place, or none. */
    private static Optional<Method> byHouse(Method method, Cause cause, Head head) {
        HouseRules house = head.house();
        boolean stiff = head.stiff() || head.stuckPort();
        return switch (method) {
            case CYCLE ->
                cause != Cause.ELECTRICAL
                                && house.says(School.CycleStrength.STRONG)
                                && !house.says(School.CyclesFirst.NONE)
                        ? Optional.of(CYCLE_STRONG)
                        : only(CYCLE, cause == Cause.ELECTRICAL || house.says(School.CyclesFirst.UP_TO_THREE));
            case CYCLE_STRONG -> only(CYCLE_STRONG, house.says(School.CyclesFirst.STRONG_AT_THE_END));
            case FLUSH -> Optional.of(house.says(School.WarmFluid.ALWAYS) && canBeWarm(head.family()) ? WARM : FLUSH);
            case WARM ->
                only(
                        WARM,
                        canBeWarm(head.family())
                                && (house.says(School.WarmFluid.ALWAYS)
                                        || stiff && house.says(School.WarmFluid.WHEN_STIFF)));
            case TRAY_SOAK -> only(TRAY_SOAK, !house.says(School.Submerge.NEVER));
            case WIPE -> only(WIPE, house.says(School.Wiping.DAMP_IN_PLACE));
            default -> Optional.of(method);
        };
    }

    /** Whether the family takes fluid that still warms. */
    static boolean canBeWarm(Family family) {
        return family.limits().heatC() >= LEAST_WARM_C;
    }

    private static Optional<Method> only(Method method, boolean is) {
        return is ? Optional.of(method) : Optional.empty();
    }

    /** What is tried when nothing is left (handbook 13, rule 11); a shop that pushes draws laminated heads alone. */
    public static Method lastResort(Family family, HouseRules house) {
        boolean draws = family.construction() == Construction.LAMINATED_PIEZO || !house.says(School.PushOrDraw.PUSH);
        return draws && DRAW_BACK.allowedBy(family) ? DRAW_BACK : null;
    }

    /**
     * How a head takes ink again after fluid was put through it (handbook 12, after the flush); empty when cycles pull it.
     *
     * @param last what was done last
     */
    public static Optional<Method> inkAfter(Method last, Family family, HouseRules house) {
        boolean emptiedLines = last == LINE || last == SYSTEM;
        boolean wetted = last.between() == WorkBetweenChecks.FLUSH && last != PRIME;
        if (emptiedLines || wetted && house.says(School.AfterFlush.INK_CHARGE)) {
            return Optional.of(CHARGE);
        }
        boolean bySyringe =
                family.construction() == Construction.METERED_PIEZO || house.says(School.AfterFlush.SYRINGE);
        return only(PRIME, wetted && bySyringe && PRIME.allowedBy(family));
    }
}
