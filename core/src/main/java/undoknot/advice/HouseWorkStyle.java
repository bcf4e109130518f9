package undoknot.advice;

import static undoknot.practice.HouseQuestion.*;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import undoknot.fluid.FluidKind;
import undoknot.fluid.FluidUse;
import undoknot.fluid.InkChemistry;
import undoknot.head.Limits;
import undoknot.practice.HouseQuestion;
import undoknot.practice.HouseRules;
import undoknot.practice.School;
import undoknot.sitting.Part;
import undoknot.treatment.Method;
import undoknot.treatment.Site;
import undoknot.treatment.Treatment.Strength;
import undoknot.treatment.UsualDose;

/** How a piece of work is done by the house rules (handbook 12), where limits, ink and food leave a choice. */
final class HouseWorkStyle {

    private static final List<HouseQuestion> AT_THE_PORT = List.of(PUSH_OR_DRAW, PLACE, DOSE, WHICH_FLUID, AIR_CUSHION);

    /** The questions whose answers bear on a method: whether it is done, or how. */
    private static final Map<Method, List<HouseQuestion>> QUESTIONS = new EnumMap<>(Map.ofEntries(
            Map.entry(Method.CYCLE, List.of(CYCLES_FIRST, CYCLE_STRENGTH)),
            Map.entry(Method.CYCLE_STRONG, List.of(CYCLES_FIRST, CYCLE_STRENGTH, WASTE_STORE)),
            Map.entry(Method.REST, List.of(CYCLES_FIRST)),
            Map.entry(Method.CHARGE, List.of(AFTER_FLUSH, WASTE_STORE, INK)),
            Map.entry(Method.PRIME, List.of(AFTER_FLUSH, AIR_CUSHION, INK)),
            Map.entry(Method.FLUSH, AT_THE_PORT),
            Map.entry(Method.WARM, List.of(WARM_FLUID, STUCK_PORT, PLACE, DOSE, WHICH_FLUID, AIR_CUSHION)),
            Map.entry(Method.PORT_SOAK, List.of(STUCK_PORT, PLACE, WHICH_FLUID)),
            Map.entry(Method.TRAY_SOAK, List.of(SUBMERGE, WHICH_FLUID, HOLD)),
            Map.entry(Method.RINSE, List.of(STUCK_PORT, WHICH_FLUID, HOLD)),
            Map.entry(Method.BATH, List.of(WHICH_FLUID, HOLD)),
            Map.entry(Method.DRAW_BACK, List.of(PUSH_OR_DRAW, WHICH_FLUID, HOLD)),
            Map.entry(Method.WIPE, List.of(WIPING, PAD_STUFF)),
            Map.entry(Method.PAD, List.of(PAD_STUFF, WHICH_FLUID)),
            Map.entry(Method.VAPOUR, List.of(PAD_STUFF)),
            Map.entry(Method.CARTRIDGE, List.of(NEW_PARTS, INK)),
            Map.entry(Method.DAMPER, List.of(NEW_PARTS)),
            Map.entry(Method.SYSTEM, List.of(WASTE_STORE, INK))));

    /** Up to this many channels are treated in place. */
    private static final int FEW_CHANNELS = 2;

    private static final double WARM_C = 45;

    private HouseWorkStyle() {}

    static List<HouseQuestion> questions(Method method) {
        return method == null ? List.of() : QUESTIONS.getOrDefault(method, List.of());
    }

    /** Those that bear on it in these channels: what to do about a stuck port is asked of a stuck port. */
    static List<HouseQuestion> questions(Method method, List<String> channels, AdviceContext context) {
        boolean stuck = channels.stream().anyMatch(context::portIsStuck);
        return questions(method).stream().filter(q -> stuck || q != STUCK_PORT).toList();
    }

    static WorkStyle of(Method method, List<String> channels, AdviceContext context) {
        return of(method, channels, context, List.of());
    }

    /** @param planned what is planned in these channels before it */
    static WorkStyle of(Method method, List<String> channels, AdviceContext context, List<Method> planned) {
        boolean strokes = method == Method.FLUSH || method == Method.WARM;
        boolean pulses = strokes
                && (context.house.says(School.Dose.LONG_PULSING)
                        || context.visit.times(method, channels) > 0
                        || planned.contains(method));
        FluidKind fluid = fluid(method, channels, context, planned);
        return new WorkStyle(
                site(method, channels, context),
                fluid,
                strength(method, context.house),
                strokes ? Double.valueOf(pulses ? UsualDose.PULSE_ML : UsualDose.STROKE_ML) : null,
                temperatureC(method, fluid, context),
                strokes && !pulses ? UsualDose.AFTER_SOAK_ML : null,
                pulses ? UsualDose.PULSES_ML : null,
                pulses ? null : SoakRung.minutes(method, channels, context.visit, planned),
                act(method, channels, context, planned),
                leadDecides(method, context.visit.family().limits()));
    }

    /** A bath on a laminated head, or work for which a head comes out that only a lead takes out. */
    private static boolean leadDecides(Method method, Limits limits) {
        return method == Method.BATH && limits.bath() == Limits.Bath.LEAD_ONLY
                || method.isBenchWork() && limits.removable() == Limits.Removable.LEAD_ONLY;
    }

    /** A damper is cleaned first; what still drags after that, or was cleaned as often as it may be, gets a new one. */
    private static Part.Act act(Method method, List<String> channels, AdviceContext context, List<Method> planned) {
        if (method != Method.DAMPER) {
            return null;
        }
        boolean cleaned = planned.contains(method)
                || channels.stream()
                        .anyMatch(code -> context.visit.count(Part.DAMPER, code).cleaned() > 0);
        return cleaned ? Part.Act.REPLACED : Part.Act.CLEANED;
    }

    /** Warm fluid is 40 to 50 °C (handbook 8), never above the family's limit; water that goes first is warm as well. */
    private static Double temperatureC(Method method, FluidKind fluid, AdviceContext context) {
        boolean warmWater = method == Method.FLUSH
                && fluid == FluidKind.DEIONISED_WATER
                && !context.house.says(School.WarmFluid.NEVER);
        return method == Method.WARM || warmWater
                ? Double.valueOf(Math.min(
                        method == Method.WARM ? WARM_C : UsualDose.LUKEWARM_C,
                        context.visit.family().limits().heatC()))
                : null;
    }

    /** Where it is done: on the bench what can be done nowhere else; at the port by house rule, as long as the head comes out. */
    private static Site site(Method method, List<String> channels, AdviceContext context) {
        Site now = context.visit.head().site();
        if (method.isBenchWork()) {
            return Site.ON_BENCH;
        }
        return switch (method) {
            case FLUSH, WARM, PORT_SOAK -> {
                boolean inPlace = context.house.says(School.Place.IN_PLACE_FIRST) && channels.size() <= FEW_CHANNELS;
                boolean comesOut = context.visit.family().limits().removable() == Limits.Removable.YES;
                yield now == Site.ON_BENCH || comesOut && !inPlace ? Site.ON_BENCH : Site.IN_CARRIAGE;
            }
            case WIPE, PAD, VAPOUR, PURGE, PRIME -> now;
            default -> null;
        };
    }

    private static Strength strength(Method method, HouseRules house) {
        return switch (method) {
            case CYCLE_STRONG -> Strength.STRONG;
            case CYCLE -> house.says(School.CycleStrength.NORMAL) ? Strength.NORMAL : Strength.LIGHT;
            default -> null;
        };
    }

    private static FluidKind fluid(Method method, List<String> channels, AdviceContext context, List<Method> planned) {
        return switch (method) {
            case VAPOUR -> context.terms.food() ? FluidKind.FOOD_SAFE_CLEANER : method.ownFluid();
            case WIPE, PAD -> cleaner(FluidUse.TRAY_SOAK, false, channels, context);
            case FLUSH, WARM, PORT_SOAK, TRAY_SOAK, BATH, DRAW_BACK, LINE, SYSTEM -> {
                boolean firstFlush = (method == Method.FLUSH || method == Method.WARM)
                        && context.visit.times(Method.FLUSH, channels) + context.visit.times(Method.WARM, channels) == 0
                        && planned.stream().noneMatch(m -> m == Method.FLUSH || m == Method.WARM);
                yield firstFlush && waterFirst(channels, context)
                        ? FluidKind.DEIONISED_WATER
                        : cleaner(method.fluidUse(), method == Method.WARM, channels, context);
            }
            default -> method.ownFluid();
        };
    }

    private static boolean waterFirst(List<String> channels, AdviceContext context) {
        return context.terms.food()
                || context.house.says(School.WhichFluid.WARM_WATER_FIRST)
                || !channels.isEmpty()
                        && channels.stream()
                                .map(context.terms.inks()::get)
                                .allMatch(ink -> ink == InkChemistry.DYE || ink == InkChemistry.EDIBLE);
    }

    private static FluidKind cleaner(FluidUse use, boolean warm, List<String> channels, AdviceContext context) {
        if (context.terms.food()) {
            return FluidKind.FOOD_SAFE_CLEANER;
        }
        // Household cleaners go inside only where a lead has enabled them for the family (handbook 12).
        boolean enabled = context.visit.family().limits().household();
        if (context.house.says(School.WhichFluid.HOUSEHOLD)
                && enabled
                && FluidKind.ISOPROPYL_ALCOHOL.allows(use)
                && !warm) {
            return FluidKind.ISOPROPYL_ALCOHOL;
        }
        boolean settles =
                channels.stream().anyMatch(code -> context.terms.inks().get(code) == InkChemistry.SETTLING_PIGMENT);
        return settles && FluidKind.PIGMENT_FLUSH.allows(use) ? FluidKind.PIGMENT_FLUSH : FluidKind.AQUEOUS_CLEANER;
    }
}
