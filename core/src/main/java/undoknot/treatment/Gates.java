package undoknot.treatment;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import undoknot.fluid.FluidKind;
import undoknot.fluid.FluidUse;
import undoknot.head.Limits;
import undoknot.treatment.Gate.Code;

/** What stands in the way of a treatment on a head: limits of the family (handbook 9) and of the fluid (11). */
public final class Gates {

    /** A fluid above this is warmed, °C. */
    public static final double ROOM_C = 30;

    /** Limit for warmed fluids of any family, °C (handbook 8, warm). */
    static final double WARM_LIMIT_C = 60;

    static final double BATH_LIMIT_C = 40;
    static final int BATH_BURSTS = 3;
    static final int BATH_BURST_SECONDS = 180;

    /** Laminated heads: two short bursts at most, and only with a lead's consent. */
    static final int LAMINATED_BURSTS = 2;

    static final int CYCLES_BEFORE_HANDS = 3;

    private static final Map<BarredWork, Code> BARS = Map.of(
            BarredWork.POWER, Code.NO_POWER_NOW,
            BarredWork.CYCLES, Code.NO_CYCLES_NOW,
            BarredWork.STRONG_CYCLES, Code.NO_STRONG_CYCLES_NOW,
            BarredWork.WIPING_IN_PLACE, Code.NO_WIPING_NOW,
            BarredWork.PUSHING, Code.FACE_DAMAGED,
            BarredWork.SUCTION, Code.FACE_DAMAGED,
            BarredWork.BATH_AND_STEAM, Code.FACE_DAMAGED);

    /** The entry that a limit of the family is about, where it is not the method itself. */
    private static final Map<Code, String> FIELDS = Map.of(Code.NO_PUSH, "strokes", Code.NO_SUBMERGE, "place");

    /**
     * What the rules look at.
     *
     * @param foodHead whether the head serves food
     * @param inHold whether a hold forbids power now
     * @param cyclesBefore printer cycles run since the last work with hands
     * @param fluid fluid poured, null for a printer cycle
     * @param today the shop's date
     * @param barred what findings that still hold make unsafe
     */
    public record Situation(
            Limits limits,
            boolean foodHead,
            boolean inHold,
            int cyclesBefore,
            Bottle fluid,
            LocalDate today,
            Set<BarredWork> barred) {

        public Situation {
            Objects.requireNonNull(limits, "limits");
            Objects.requireNonNull(today, "today");
            barred = Set.copyOf(barred);
        }

        public Situation(
                Limits limits, boolean foodHead, boolean inHold, int cyclesBefore, Bottle fluid, LocalDate today) {
            this(limits, foodHead, inHold, cyclesBefore, fluid, today, Set.of());
        }
    }

    /** @param expiresOn last good day, null when the maker gives none */
    public record Bottle(FluidKind kind, boolean foodSafe, LocalDate expiresOn) {}

    private Gates() {}

    /** All gates in the way, in the order of the rules; empty when nothing is. Every method passes here. */
    public static List<Gate> of(Treatment treatment, Situation s) {
        Method method = Method.of(treatment);
        List<Gate> gates = new ArrayList<>(ofMethod(method, s));
        if (treatment instanceof Treatment.Flush flush) {
            heat(flush.temperatureC(), s, gates);
        } else if (treatment instanceof Treatment.Bath bath) {
            bath(bath, s, gates);
        } else if (treatment instanceof Treatment.Cycle cycle) {
            cycle(cycle, s, gates);
        }
        fluid(MethodOnHead.of(method).use(), s, gates);
        warmed(treatment, s, gates);
        return gates;
    }

    /** What stands in the way of a method as such on this head now, whatever its dose and fluid. */
    public static List<Gate> ofMethod(Method method, Situation s) {
        List<Gate> gates = new ArrayList<>();
        MethodOnHead onHead = MethodOnHead.of(method);
        if (!onHead.allowedBy(s.limits())) {
            gates.add(onHead.family().at(FIELDS.getOrDefault(onHead.family(), "kind")));
        } else if (method == Method.BATH && s.limits().bath() == Limits.Bath.LEAD_ONLY) {
            gates.add(Code.BATH_LEAD_ONLY.at("kind"));
        }
        if (s.inHold() && onHead.power()) {
            gates.add(Code.HEAD_IN_HOLD.at("kind"));
        }
        onHead.barredBy().stream()
                .filter(s.barred()::contains)
                .map(BARS::get)
                .distinct()
                .sorted()
                .forEach(code -> gates.add(code.at("kind")));
        return gates;
    }

    private static void heat(double temperatureC, Situation s, List<Gate> gates) {
        double limit = Math.min(WARM_LIMIT_C, s.limits().heatC());
        if (temperatureC > limit) {
            gates.add(Code.TOO_HOT.at("temperatureC", limit, temperatureC));
        }
    }

    private static void bath(Treatment.Bath bath, Situation s, List<Gate> gates) {
        double limit = Math.min(BATH_LIMIT_C, s.limits().heatC());
        if (bath.temperatureC() > limit) {
            gates.add(Code.BATH_TOO_HOT.at("temperatureC", limit, bath.temperatureC()));
        }
        int bursts = s.limits().bath() == Limits.Bath.HUNG ? BATH_BURSTS : LAMINATED_BURSTS;
        if (bath.bursts() > bursts) {
            gates.add(Code.TOO_MANY_BURSTS.at("bursts", bursts, bath.bursts()));
        }
        if (bath.burstSeconds() > BATH_BURST_SECONDS) {
            gates.add(Code.BURST_TOO_LONG.at("burstSeconds", BATH_BURST_SECONDS, bath.burstSeconds()));
        }
    }

    private static void cycle(Treatment.Cycle cycle, Situation s, List<Gate> gates) {
        int all = s.cyclesBefore() + cycle.count();
        if (all > CYCLES_BEFORE_HANDS) {
            gates.add(Code.TOO_MANY_CYCLES.at("count", CYCLES_BEFORE_HANDS, all));
        }
    }

    /** A fluid is asked where it goes; food and expiry are asked of every bottle, whatever is done with it. */
    private static void fluid(FluidUse use, Situation s, List<Gate> gates) {
        Bottle bottle = s.fluid();
        if (bottle == null) {
            return;
        }
        if (use != null && !bottle.kind().allows(use)) {
            gates.add(Code.FLUID_NOT_FOR_THIS.at("lotId", bottle.kind(), use));
        }
        // Contacts are no wet side: what cleans them never meets what is printed.
        if (s.foodHead() && use != FluidUse.CONTACTS && !(bottle.kind().forFood() && bottle.foodSafe())) {
            gates.add(Code.FLUID_NOT_FOR_FOOD.at("lotId", bottle.kind()));
        }
        if (use != null
                && use.wetsNozzles()
                && bottle.kind().contested()
                && bottle.kind().allows(use)) {
            gates.add(Code.FLUID_CONTESTED.at("lotId", bottle.kind()));
        }
        if (bottle.expiresOn() != null && bottle.expiresOn().isBefore(s.today())) {
            gates.add(Code.LOT_EXPIRED.at("lotId", bottle.expiresOn()));
        }
    }

    private static void warmed(Treatment treatment, Situation s, List<Gate> gates) {
        boolean warm = Method.of(treatment) == Method.WARM || Method.of(treatment) == Method.STEAM;
        if (s.fluid() != null && warm && !s.fluid().kind().mayBeWarmed()) {
            gates.add(Code.FLUID_NOT_WARMED.at("temperatureC", s.fluid().kind()));
        }
    }
}
