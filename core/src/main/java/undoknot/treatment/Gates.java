package undoknot.treatment;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import undoknot.fluid.FluidKind;
import undoknot.fluid.FluidUse;
import undoknot.head.Limits;
import undoknot.treatment.Gate.Code;

/** What stands in the way of a treatment on a head: limits of the family (handbook 9) and of the fluid (11). */
public final class Gates {

    /** A fluid above this is warmed, °C. */
    static final double ROOM_C = 30;

    /** Limit for warmed fluids of any family, °C (handbook 8, warm). */
    static final double WARM_LIMIT_C = 60;

    static final double BATH_LIMIT_C = 40;
    static final int BATH_BURSTS = 3;
    static final int BATH_BURST_SECONDS = 180;

    /** Laminated heads: two short bursts at most, and only with a lead's consent. */
    static final int LAMINATED_BURSTS = 2;

    static final int CYCLES_BEFORE_HANDS = 3;

    /**
     * What the rules look at.
     *
     * @param foodHead whether the head serves food
     * @param inHold whether a hold forbids power now
     * @param cyclesBefore printer cycles run since the last work with hands
     * @param fluid fluid poured, null for a printer cycle
     * @param today the shop's date
     */
    public record Situation(
            Limits limits, boolean foodHead, boolean inHold, int cyclesBefore, Bottle fluid, LocalDate today) {}

    /** @param expiresOn last good day, null when the maker gives none */
    public record Bottle(FluidKind kind, boolean foodSafe, LocalDate expiresOn) {}

    private Gates() {}

    /** All gates in the way, in the order of the rules; empty when nothing is. */
    public static List<Gate> of(Treatment treatment, Situation s) {
        List<Gate> gates = new ArrayList<>();
        if (treatment instanceof Treatment.Flush flush) {
            flush(flush, s, gates);
        } else if (treatment instanceof Treatment.Soak soak) {
            soak(soak, s, gates);
        } else if (treatment instanceof Treatment.Bath bath) {
            bath(bath, s, gates);
        } else if (treatment instanceof Treatment.Cycle cycle) {
            cycle(cycle, s, gates);
        }
        return gates;
    }

    private static void flush(Treatment.Flush flush, Situation s, List<Gate> gates) {
        if (s.limits().pushKpa() == null) {
            gates.add(Code.NO_PUSH.at("strokes"));
        }
        double limit = Math.min(WARM_LIMIT_C, s.limits().heatC());
        if (flush.temperatureC() > limit) {
            gates.add(Code.TOO_HOT.at("temperatureC", limit, flush.temperatureC()));
        }
        fluid(FluidUse.FLUSH, s, gates);
        warmed(flush.temperatureC(), s, gates);
    }

    private static void soak(Treatment.Soak soak, Situation s, List<Gate> gates) {
        if (soak.place() == Treatment.Place.TRAY && s.limits().submerge() == Limits.Submerge.NO) {
            gates.add(Code.NO_SUBMERGE.at("place"));
        }
        fluid(soak.place().use(), s, gates);
    }

    private static void bath(Treatment.Bath bath, Situation s, List<Gate> gates) {
        if (s.limits().bath() == Limits.Bath.NO) {
            gates.add(Code.NO_BATH.at("kind"));
        } else if (s.limits().bath() == Limits.Bath.LEAD_ONLY) {
            gates.add(Code.BATH_LEAD_ONLY.at("kind"));
        }
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
        fluid(FluidUse.BATH, s, gates);
    }

    private static void cycle(Treatment.Cycle cycle, Situation s, List<Gate> gates) {
        if (s.inHold()) {
            gates.add(Code.HEAD_IN_HOLD.at("kind"));
        }
        int all = s.cyclesBefore() + cycle.count();
        if (all > CYCLES_BEFORE_HANDS) {
            gates.add(Code.TOO_MANY_CYCLES.at("count", CYCLES_BEFORE_HANDS, all));
        }
    }

    private static void fluid(FluidUse use, Situation s, List<Gate> gates) {
        Bottle bottle = s.fluid();
        if (bottle == null) {
            return;
        }
        if (!bottle.kind().allows(use)) {
            gates.add(Code.FLUID_NOT_FOR_THIS.at("lotId", bottle.kind(), use));
        }
        if (s.foodHead() && !(bottle.kind().forFood() && bottle.foodSafe())) {
            gates.add(Code.FLUID_NOT_FOR_FOOD.at("lotId", bottle.kind()));
        }
        if (bottle.kind().contested() && bottle.kind().allows(use)) {
            gates.add(Code.FLUID_CONTESTED.at("lotId", bottle.kind()));
        }
        if (bottle.expiresOn() != null && bottle.expiresOn().isBefore(s.today())) {
            gates.add(Code.LOT_EXPIRED.at("lotId", bottle.expiresOn()));
        }
    }

    private static void warmed(double temperatureC, Situation s, List<Gate> gates) {
        if (s.fluid() != null && temperatureC > ROOM_C && !s.fluid().kind().mayBeWarmed()) {
            gates.add(Code.FLUID_NOT_WARMED.at("temperatureC", s.fluid().kind()));
        }
    }
}
