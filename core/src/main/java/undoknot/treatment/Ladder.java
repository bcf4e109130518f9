package undoknot.treatment;

import static undoknot.treatment.Method.*;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import undoknot.diagnosis.Cause;
import undoknot.head.Construction;
import undoknot.head.Family;

/** What is tried for a cause, gentlest first, as far as the family and the house rules allow it (handbook 8, 9 and 12). */
public final class Ladder {

    private static final Map<Cause, List<Method>> LADDERS = new EnumMap<>(Map.ofEntries(
            Map.entry(
                    Cause.DRIED_INK,
                    List.of(CYCLE, FLUSH, PORT_SOAK, WARM, TRAY_SOAK, RINSE, BATH, STEAM, CYCLE_STRONG)),
            Map.entry(Cause.AIR, List.of(PURGE, DRAW_IN, CARTRIDGE, REST)),
            Map.entry(Cause.SUPPLY_RESTRICTED, List.of(DAMPER, LINE, CARTRIDGE)),
            Map.entry(Cause.CARTRIDGE_FAULT, List.of(CARTRIDGE, DRAW_IN)),
            // What a dirty station has put into the nozzles stays there once it is clean.
            Map.entry(Cause.SERVICE_STATION, List.of(STATION, CYCLE, FLUSH, PORT_SOAK, WARM)),
            Map.entry(Cause.FACE_DEBRIS, List.of(WIPE, PAD, VAPOUR)),
            Map.entry(Cause.CARRIAGE_DIRT, List.of(UNDERSIDE)),
            Map.entry(Cause.ELECTRICAL, List.of(CYCLE)),
            Map.entry(Cause.CONTACTS, List.of(RESEAT)),
            Map.entry(Cause.ALIGNMENT_ENCODER, List.of(ALIGN, STRIP)),
            Map.entry(Cause.PLATE_DAMAGE, List.of()),
            Map.entry(Cause.UNSUITABLE_INK, List.of(FLUSH, PORT_SOAK, WARM, RINSE, SYSTEM)),
            Map.entry(Cause.NOT_THE_HEAD, List.of())));

    private Ladder() {}

    /** @param food whether the head serves food: volatile cleaners never go near it */
    public static List<Method> of(Cause cause, Family family, HouseRules house, boolean food) {
        Stream<Method> methods = LADDERS.get(cause).stream();
        if (family.construction() == Construction.LAMINATED_PIEZO && cause == Cause.DRIED_INK) {
            // Nothing may be pushed; drawing back is its method of choice.
            methods = Stream.of(CYCLE, PAD, DRAW_BACK, TRAY_SOAK, BATH);
        }
        return methods.filter(m -> m.allowedBy(family.limits()))
                .filter(m -> byHouse(m, cause, house))
                .filter(m -> !(food && m == VAPOUR))
                .toList();
    }

    private static boolean byHouse(Method method, Cause cause, HouseRules house) {
        return switch (method) {
            case CYCLE -> cause == Cause.ELECTRICAL || house.says(HouseQuestion.CYCLES_FIRST, "UP_TO_THREE");
            case CYCLE_STRONG -> house.says(HouseQuestion.CYCLES_FIRST, "STRONG_AT_THE_END");
            case WARM -> !house.says(HouseQuestion.WARM_FLUID, "NEVER");
            case TRAY_SOAK -> !house.says(HouseQuestion.SUBMERGE, "NEVER");
            case WIPE -> house.says(HouseQuestion.WIPING, "DAMP_IN_PLACE");
            default -> true;
        };
    }

    /** What is tried when nothing is left (handbook 13, rule 11). */
    public static Method lastResort(Family family) {
        return DRAW_BACK.allowedBy(family.limits()) ? DRAW_BACK : null;
    }
}
