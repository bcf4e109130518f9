package undoknot.treatment;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import undoknot.fluid.FluidKind;
import undoknot.fluid.FluidUse;
import undoknot.head.Channel;
import undoknot.head.Family;
import undoknot.head.Limits;
import undoknot.treatment.Gate.Code;

/**
 * What stands in the way of work on a head: limits of the family (handbook 9), of the fluid (11), where the head is, what
 * keeps it from power (12 and 14), and what was found (6 and 8).
 */
public final class Gates {

    /** A fluid above this is warmed, °C. */
    public static final double ROOM_C = 30;

    /** A pad over which cartridges stay connected lies so long at most, minutes. */
    public static final int PAD_MINUTES = 120;

    /** Limit for warmed fluids of any family, °C (handbook 8, warm). */
    static final double WARM_LIMIT_C = 60;

    static final double BATH_LIMIT_C = 40;
    static final int BATH_BURSTS = 3;
    static final int BATH_BURST_SECONDS = 180;

    /** Laminated heads: two short bursts at most, and only with a lead's consent. */
    static final int LAMINATED_BURSTS = 2;

    static final int CYCLES_BEFORE_HANDS = 3;
    static final int STRONG_CYCLES = 1;

    private static final Map<BarredWork, Code> BARS = Map.of(
            BarredWork.POWER, Code.NO_POWER_NOW,
            BarredWork.CYCLES, Code.NO_CYCLES_NOW,
            BarredWork.STRONG_CYCLES, Code.NO_STRONG_CYCLES_NOW,
            BarredWork.WIPING_IN_PLACE, Code.NO_WIPING_NOW,
            BarredWork.WIPING, Code.FACE_DAMAGED,
            BarredWork.PUSHING, Code.FACE_DAMAGED,
            BarredWork.SUCTION, Code.FACE_DAMAGED,
            BarredWork.BATH_AND_STEAM, Code.FACE_DAMAGED);

    private static final Map<NoPower, Code> POWER = Map.of(
            NoPower.HOLD, Code.HEAD_IN_HOLD,
            NoPower.PAD_UNDER_HEAD, Code.PAD_UNDER_HEAD,
            NoPower.NOT_LOOKED, Code.CONTACTS_NOT_LOOKED,
            NoPower.SPILL, Code.SPILL_NOT_WIPED,
            NoPower.EVAPORATING, Code.STILL_EVAPORATING,
            NoPower.COVERS_OPEN, Code.COVERS_NOT_AIRED,
            NoPower.CABLE_OFF, Code.CABLE_NOT_BACK,
            NoPower.LAID_IN, Code.STILL_LAID_IN);

    /** The entry that a limit of the family is about, where it is not the method itself. */
    private static final Map<Code, String> FIELDS = Map.of(Code.NO_PUSH, "strokes", Code.NO_SUBMERGE, "place");

    /**
     * How it stands with a head before the work.
     *
     * @param foodHead whether the head serves food
     * @param site where the head is
     * @param noPower what keeps it from power now
     * @param cyclesBefore printer cycles run since the last work with hands, those told at take-in included
     * @param strongBefore strong cycles among them
     * @param notLooked what nobody has looked at that is looked at before strong work
     * @param barred what findings that still hold make unsafe
     * @param open nozzles by channel that the last map does not show as missing; empty without a map
     * @param ownCycles whether cycles are the work itself, which counts them: a whole-system flush, an ink change by cycles
     */
    public record HeadState(
            boolean foodHead,
            Site site,
            Set<NoPower> noPower,
            int cyclesBefore,
            int strongBefore,
            Set<LookFirst> notLooked,
            Set<BarredWork> barred,
            Map<String, Integer> open,
            boolean ownCycles) {

        public HeadState(
                boolean foodHead,
                Site site,
                Set<NoPower> noPower,
                int cyclesBefore,
                int strongBefore,
                Set<LookFirst> notLooked,
                Set<BarredWork> barred,
                Map<String, Integer> open) {
            this(foodHead, site, noPower, cyclesBefore, strongBefore, notLooked, barred, open, false);
        }

        /** Dry in its carriage, nothing done, and all that is looked at first found in order. */
        public static final HeadState READY =
                new HeadState(false, Site.IN_CARRIAGE, Set.of(), 0, 0, Set.of(), Set.of(), Map.of());

        public HeadState {
            Objects.requireNonNull(site, "site");
            noPower = Set.copyOf(noPower);
            notLooked = Set.copyOf(notLooked);
            barred = Set.copyOf(barred);
            open = Map.copyOf(open);
        }
    }

    /**
     * What the rules look at.
     *
     * @param at where the work is done, null for where the head is; the other place means that it was taken out, or refitted
     * @param wet how deep the head went into fluid, null where it is not asked
     * @param fluid bottle that was named, null for none
     * @param today the shop's date
     * @param cartridgesOff whether cartridges were taken off for a pad; null while nobody said
     */
    public record Situation(
            Family family, HeadState now, Site at, Wet wet, Bottle fluid, LocalDate today, Boolean cartridgesOff) {

        public Situation(Family family, HeadState now, Site at, Wet wet, Bottle fluid, LocalDate today) {
            this(family, now, at, wet, fluid, today, null);
        }

        public Situation with(Boolean taken) {
            return new Situation(family, now, at, wet, fluid, today, taken);
        }

        public Situation {
            Objects.requireNonNull(family, "family");
            Objects.requireNonNull(now, "now");
            Objects.requireNonNull(today, "today");
        }

        private Limits limits() {
            return family.limits();
        }

        private Site siteOrNow() {
            return at == null ? now.site() : at;
        }

        /** Where the head is once the work begins, as far as the method lets it be. */
        public Site siteFor(Method method) {
            return method.isBenchWork() ? Site.ON_BENCH : siteOrNow();
        }
    }

    /** @param expiresOn last good day, null when the maker gives none */
    public record Bottle(FluidKind kind, boolean foodSafe, LocalDate expiresOn) {}

    private Gates() {}

    /** All gates in the way, in the order of the rules; empty when nothing is. Every method passes here. */
    public static List<Gate> of(Treatment treatment, Situation s) {
        Method method = Method.of(treatment);
        List<Gate> gates = new ArrayList<>(ofMethod(method, s));
        fittings(method, treatment instanceof Treatment.Flush f ? f.planned() : treatment.channels(), s, gates);
        depth(method, s, gates);
        heat(method, treatment, s, gates);
        if (treatment instanceof Treatment.Flush flush) {
            pressure(flush, s, gates);
            flush.strokes().forEach(stroke -> suction(method, stroke.suctionKpa(), s, gates));
        } else if (treatment instanceof Treatment.Bath bath) {
            bursts(bath, s, gates);
        } else if (treatment instanceof Treatment.Cycle cycle) {
            cycles(cycle, s, gates);
        } else if (treatment instanceof Treatment.Handwork work) {
            suction(method, work.suctionKpa(), s, gates);
            pad(method, work.plannedMinutes(), s, gates);
        }
        fluid(MethodOnHead.of(method).use(), s, gates);
        warmed(method, treatment, s, gates);
        return gates;
    }

    /** What stands in the way of a method as such on this head now, whatever its dose and fluid. */
    public static List<Gate> ofMethod(Method method, Situation s) {
        List<Gate> gates = new ArrayList<>();
        MethodOnHead onHead = MethodOnHead.of(method);
        if (!onHead.limitAllows(s.limits())) {
            gates.add(onHead.family().at(FIELDS.getOrDefault(onHead.family(), "kind")));
        } else if (method == Method.BATH && s.limits().bath() == Limits.Bath.LEAD_ONLY) {
            gates.add(Code.BATH_LEAD_ONLY.at("kind"));
        }
        Site site = s.siteFor(method);
        place(onHead, site, s, gates);
        if (onHead.power()) {
            power(s, gates);
        }
        onHead.barredBy().stream()
                .filter(s.now().barred()::contains)
                .filter(bar -> bar != BarredWork.WIPING_IN_PLACE || site == Site.IN_CARRIAGE)
                .map(BARS::get)
                .distinct()
                .sorted()
                .forEach(code -> gates.add(code.at("kind")));
        if (onHead.barredBy().contains(BarredWork.STRONG_CYCLES)) {
            s.now().notLooked().stream()
                    .sorted()
                    .forEach(first -> gates.add(first.code().at("kind")));
        }
        return gates;
    }

    /** Why a family does not allow a method; null when it does. */
    public static Code whyNot(Method method, Family family) {
        MethodOnHead onHead = MethodOnHead.of(method);
        if (onHead.allowedBy(family)) {
            return null;
        }
        if (!onHead.limitAllows(family.limits())) {
            return onHead.family();
        }
        return method.isBenchWork() ? Code.NOT_REMOVABLE : Code.NO_FITTING;
    }

    /** What stands in the way of the mains: a check that is printed, a look that needs power. */
    public static List<Gate> ofPower(Situation s) {
        List<Gate> gates = new ArrayList<>();
        if (s.siteOrNow() != Site.IN_CARRIAGE) {
            gates.add(Code.REFIT_FIRST.at("kind"));
        }
        power(s, gates);
        if (s.now().barred().contains(BarredWork.POWER)) {
            gates.add(Code.NO_POWER_NOW.at("kind"));
        }
        return gates;
    }

    /** What stands in the way of a bottle by itself: a food head, an expiry. */
    public static List<Gate> ofFluid(Situation s) {
        List<Gate> gates = new ArrayList<>();
        fluid(FluidUse.FLUSH, s, gates);
        return gates;
    }

    /** A waste container that has less room than would go in, mL. */
    public static Gate noRoomInWaste(double roomMl, double ml) {
        return Code.NO_ROOM_IN_WASTE.at("wasteId", roomMl, ml);
    }

    /** More through a channel than an ink change was worked out to need at most, mL. */
    public static Gate overTheNeed(String channel, double mostMl, double ml) {
        return Code.OVER_THE_NEED.in(channel, "strokes", tenths(mostMl), tenths(ml));
    }

    /** What stands in the way of drops on a port, with a pad touching the face. */
    public static List<Gate> ofDropTest(Situation s) {
        return s.siteOrNow() == Site.IN_CARRIAGE ? List.of() : List.of(Code.REFIT_FIRST.at("kind"));
    }

    private static void power(Situation s, List<Gate> gates) {
        s.now().noPower().stream()
                .sorted()
                .forEach(reason -> gates.add(POWER.get(reason).at("kind")));
    }

    private static void place(MethodOnHead onHead, Site site, Situation s, List<Gate> gates) {
        if (!onHead.goesAt(site)) {
            gates.add(Code.REFIT_FIRST.at("kind"));
        } else if (site == Site.ON_BENCH && s.now().site() == Site.IN_CARRIAGE) {
            takingOut(s, gates);
        }
    }

    /** What stands in the way of taking the head out of its carriage. */
    public static List<Gate> ofTakingOut(Situation s) {
        List<Gate> gates = new ArrayList<>();
        takingOut(s, gates);
        return gates;
    }

    private static void takingOut(Situation s, List<Gate> gates) {
        switch (s.limits().removable()) {
            case NO -> gates.add(Code.NOT_REMOVABLE.at("kind"));
            case LEAD_ONLY -> gates.add(Code.REMOVAL_LEAD_ONLY.at("kind"));
            case YES -> {}
        }
    }

    private static void fittings(Method method, Set<String> channels, Situation s, List<Gate> gates) {
        if (MethodOnHead.of(method).family() != Code.NO_PUSH) {
            return;
        }
        s.family().channels().stream()
                .filter(c -> channels.contains(c.code()) && !c.takesPush())
                .forEach(c -> gates.add(Code.NO_FITTING.in(c.code(), "strokes")));
    }

    private static void depth(Method method, Situation s, List<Gate> gates) {
        boolean deeper = method == Method.TRAY_SOAK && s.wet() != null && s.wet() != Wet.BASE_ONLY;
        if (deeper
                && MethodOnHead.of(method).limitAllows(s.limits())
                && s.limits().submerge() != Limits.Submerge.WHOLE_HEAD) {
            gates.add(Code.TOO_DEEP.at("wet"));
        }
    }

    /** The heat limit governs liquids; steam is governed by its own yes or no (handbook 9). */
    private static void heat(Method method, Treatment treatment, Situation s, List<Gate> gates) {
        boolean bath = method == Method.BATH;
        double limit = Math.min(bath ? BATH_LIMIT_C : WARM_LIMIT_C, s.limits().heatC());
        if (treatment.fluidC() > limit && method != Method.STEAM) {
            gates.add((bath ? Code.BATH_TOO_HOT : Code.TOO_HOT).at("temperatureC", limit, treatment.fluidC()));
        }
    }

    /** Past the limit for certain, by the force or with every nozzle open; or past it through what is open now. */
    private static void pressure(Treatment.Flush flush, Situation s, List<Gate> gates) {
        if (s.limits().pushKpa() == null || !flush.method().isPush()) {
            return;
        }
        for (Stroke stroke : flush.strokes()) {
            Channel channel = s.family().channel(stroke.channel()).orElse(null);
            if (channel == null) {
                continue;
            }
            Push push = Push.of(s.family(), channel, s.now().open().get(channel.code()), flush.temperatureC());
            // A stroke that nobody timed is judged by its force alone.
            boolean flowed = !stroke.wouldNotGo() && stroke.seconds() != null && stroke.seconds() > 0;
            double ml = stroke.volumeMl().doubleValue();
            double surely = flowed ? push.leastPressureKpa(ml, stroke.seconds()) : 0;
            if (stroke.syringe() != null && stroke.force() != null) {
                surely = Math.max(
                        surely, stroke.syringe().pressureKpa(stroke.force().newton()));
            }
            double likely = flowed ? push.pressureKpa(ml, stroke.seconds()) : 0;
            if (surely > push.limitKpa()) {
                gates.add(Code.PUSH_TOO_HARD.in(channel.code(), "strokes", push.limitKpa(), tenths(surely)));
            } else if (likely > push.limitKpa()) {
                gates.add(Code.PUSH_TOO_FAST.in(channel.code(), "strokes", push.limitKpa(), tenths(likely)));
            }
        }
    }

    private static double tenths(double value) {
        return Math.round(value * 10) / 10.0;
    }

    private static void suction(Method method, Double kpa, Situation s, List<Gate> gates) {
        Double limit = s.limits().suctionKpa();
        if (method == Method.DRAW_BACK && kpa != null && limit != null && kpa > limit) {
            gates.add(Code.SUCTION_TOO_HARD.at("suctionKpa", limit, kpa));
        }
    }

    /** A pad siphons ink out of connected cartridges: they come off, or it stays two hours at most (handbook 8). */
    private static void pad(Method method, Integer minutes, Situation s, List<Gate> gates) {
        boolean siphons = method.wetsFace() && method.leavesPad(s.siteFor(method)) && method != Method.WIPE;
        if (siphons && minutes != null && minutes > PAD_MINUTES && !Boolean.TRUE.equals(s.cartridgesOff())) {
            gates.add(Code.PAD_SIPHONS.at("plannedMinutes", PAD_MINUTES, minutes));
        }
    }

    private static void bursts(Treatment.Bath bath, Situation s, List<Gate> gates) {
        int bursts = s.limits().bath() == Limits.Bath.HUNG ? BATH_BURSTS : LAMINATED_BURSTS;
        if (bath.bursts() > bursts) {
            gates.add(Code.TOO_MANY_BURSTS.at("bursts", bursts, bath.bursts()));
        }
        if (bath.burstSeconds() > BATH_BURST_SECONDS) {
            gates.add(Code.BURST_TOO_LONG.at("burstSeconds", BATH_BURST_SECONDS, bath.burstSeconds()));
        }
    }

    private static void cycles(Treatment.Cycle cycle, Situation s, List<Gate> gates) {
        if (s.now().ownCycles()) {
            return;
        }
        int all = s.now().cyclesBefore() + cycle.count();
        if (all > CYCLES_BEFORE_HANDS) {
            gates.add(Code.TOO_MANY_CYCLES.at("count", CYCLES_BEFORE_HANDS, all));
        }
        int strong = s.now().strongBefore() + cycle.count();
        if (cycle.strength() == Treatment.Strength.STRONG && strong > STRONG_CYCLES) {
            gates.add(Code.STRONG_ONCE.at("count", STRONG_CYCLES, strong));
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
        if (s.now().foodHead() && use != FluidUse.CONTACTS && !(bottle.kind().forFood() && bottle.foodSafe())) {
            gates.add(Code.FLUID_NOT_FOR_FOOD.at("lotId", bottle.kind()));
        }
        if (use != null
                && use.wetsNozzles()
                && bottle.kind().contested()
                && bottle.kind().allows(use)
                && !s.limits().household()) {
            gates.add(Code.FLUID_CONTESTED.at("lotId", bottle.kind()));
        }
        if (bottle.expiresOn() != null && bottle.expiresOn().isBefore(s.today())) {
            gates.add(Code.LOT_EXPIRED.at("lotId", bottle.expiresOn()));
        }
    }

    private static void warmed(Method method, Treatment treatment, Situation s, List<Gate> gates) {
        boolean warm = treatment.fluidC() > ROOM_C || method == Method.STEAM;
        if (s.fluid() != null && warm && !s.fluid().kind().mayBeWarmed()) {
            gates.add(Code.FLUID_NOT_WARMED.at("temperatureC", s.fluid().kind()));
        }
    }
}
