package undoknot.treatment;

import java.util.Arrays;
import java.util.List;
import java.util.Set;
import undoknot.fluid.FluidKind;
import undoknot.fluid.FluidUse;
import undoknot.head.Family;

/**
 * Everything that is done to a head (handbook 8 and 14), with what a shop starts from until it has a record of its own.
 */
public enum Method {
    //               hands  chance  harm   rungs  what a change after it means
    CYCLE(4, 0.20, 0.002, 3, WorkBetweenChecks.CYCLE),
    CYCLE_STRONG(5, 0.15, 0.01, 1, WorkBetweenChecks.CYCLE),
    REST(1, 0.10, 0.001, 1, WorkBetweenChecks.REST),
    PAGE(3, 0.05, 0.001, 1, WorkBetweenChecks.CYCLE),
    CHARGE(6, 0.15, 0.01, 1, WorkBetweenChecks.CYCLE),
    PRIME(8, 0.15, 0.02, 2, WorkBetweenChecks.CYCLE),
    CARTRIDGE(6, 0.50, 0.005, 1, WorkBetweenChecks.CARTRIDGE),
    DRAW_IN(8, 0.40, 0.01, 1, WorkBetweenChecks.AIR),
    PURGE(6, 0.50, 0.01, 2, WorkBetweenChecks.AIR),
    STATION(15, 0.35, 0.005, 2, WorkBetweenChecks.STATION),
    /** Seals, manifold, gasket or sub-tank, cleaned apart from the head or replaced. */
    PARTS(10, 0.10, 0.001, 1, WorkBetweenChecks.OTHER),
    UNDERSIDE(12, 0.60, 0.01, 1, WorkBetweenChecks.OTHER),
    WIPE(5, 0.25, 0.02, 2, WorkBetweenChecks.FACE),
    PAD(6, 0.30, 0.01, 3, WorkBetweenChecks.FACE),
    VAPOUR(8, 0.40, 0.01, 3, WorkBetweenChecks.FACE),
    FLUSH(15, 0.35, 0.03, 2, WorkBetweenChecks.FLUSH),
    PORT_SOAK(10, 0.30, 0.02, 4, WorkBetweenChecks.FLUSH),
    WARM(20, 0.30, 0.04, 2, WorkBetweenChecks.FLUSH),
    TRAY_SOAK(12, 0.30, 0.03, 4, WorkBetweenChecks.FLUSH),
    RINSE(25, 0.35, 0.04, 2, WorkBetweenChecks.FLUSH),
    BATH(25, 0.30, 0.06, 2, WorkBetweenChecks.FLUSH),
    STEAM(15, 0.20, 0.08, 1, WorkBetweenChecks.FLUSH),
    DRAW_BACK(40, 0.30, 0.06, 3, WorkBetweenChecks.FLUSH),
    DAMPER(20, 0.50, 0.01, 2, WorkBetweenChecks.SUPPLY),
    LINE(40, 0.50, 0.02, 1, WorkBetweenChecks.SUPPLY),
    SYSTEM(120, 0.40, 0.02, 1, WorkBetweenChecks.SUPPLY),
    RESEAT(10, 0.60, 0.01, 2, WorkBetweenChecks.OTHER),
    STRIP(8, 0.60, 0.01, 1, WorkBetweenChecks.OTHER),
    ALIGN(10, 0.60, 0.001, 2, WorkBetweenChecks.OTHER);

    private final int handsMinutes;
    private final double startChance;
    private final double harmChance;
    private final int rungs;
    private final WorkBetweenChecks between;

    Method(int handsMinutes, double startChance, double harmChance, int rungs, WorkBetweenChecks between) {
        this.handsMinutes = handsMinutes;
        this.startChance = startChance;
        this.harmChance = harmChance;
        this.rungs = rungs;
        this.between = between;
    }

    /** Minutes of hands of one go; waiting does not count. */
    public int handsMinutes() {
        return handsMinutes;
    }

    /** Fluid that one go usually takes, mL. */
    public double usualMl(int channels) {
        return switch (this) {
            case FLUSH, WARM -> UsualDose.STROKE_ML * channels;
            case PORT_SOAK -> UsualDose.soakMl(Treatment.Place.PORT, channels);
            case PURGE -> 0.5 * channels;
            case PRIME -> 1.5 * channels;
            case LINE -> 30.0 * channels;
            case TRAY_SOAK -> UsualDose.soakMl(Treatment.Place.TRAY, channels);
            case DRAW_BACK -> UsualDose.DRAW_ML * channels;
            case BATH -> UsualDose.BATH.volumeMl();
            case SYSTEM -> 2000;
            case WIPE, PAD, VAPOUR, STATION -> 3;
            case PARTS -> UsualDose.JAR_ML;
            default -> 0;
        };
    }

    /** Starting belief that one go of it reaches acceptance, where it fits the cause. */
    public double startChance() {
        return startChance;
    }

    /** Chance that one go within the limits harms the head. */
    public double harmChance() {
        return harmChance;
    }

    /** How often it is done, each time longer, warmer or stronger, before another method is next. */
    public int rungs() {
        return rungs;
    }

    /**
     * How often it may be done in a channel as long as each go brings much back: its own cap (handbook 8), which a flush has in
     * millilitres.
     */
    public int cap() {
        return switch (this) {
            case CYCLE, BATH -> 3;
            case FLUSH, WARM -> (int) (UsualDose.PULSES_ML / (UsualDose.STROKE_ML + UsualDose.AFTER_SOAK_ML));
            // Time and fluid alone; what helps is repeated as long as it does.
            case PORT_SOAK, TRAY_SOAK, PAD -> 12;
            case VAPOUR, RINSE, DRAW_BACK, PURGE -> 4;
            case WIPE, STATION, DAMPER -> rungs;
            default -> Math.max(rungs, 3);
        };
    }

    public WorkBetweenChecks between() {
        return between;
    }

    /** How it is logged. */
    public Treatment.Kind kind() {
        return switch (this) {
            case FLUSH, WARM, PURGE, PRIME, DRAW_BACK, LINE, DAMPER -> Treatment.Kind.FLUSH;
            case PORT_SOAK, TRAY_SOAK -> Treatment.Kind.SOAK;
            case BATH -> Treatment.Kind.BATH;
            case CYCLE, CYCLE_STRONG -> Treatment.Kind.CYCLE;
            default -> Treatment.Kind.HANDWORK;
        };
    }

    /** Whether it is logged as work with the hands rather than as a kind with doses and clocks of its own. */
    public boolean isHandwork() {
        return kind() == Treatment.Kind.HANDWORK;
    }

    /** Whether fluid goes in strokes, port by port, so that it is one sitting with rounds. */
    public boolean isByStrokes() {
        return kind() == Treatment.Kind.FLUSH;
    }

    public static List<Method> handwork() {
        return Arrays.stream(values()).filter(Method::isHandwork).toList();
    }

    /** Cycles, fresh ink and rests let a head settle; they do not judge another treatment's check away. */
    public boolean settles() {
        return this == CYCLE || this == CYCLE_STRONG || this == CHARGE || this == PRIME || this == REST || this == PAGE;
    }

    /** Whether a family allows it at all; what a lead may consent to counts as allowed. */
    public boolean allowedBy(Family head) {
        return MethodOnHead.of(this).allowedBy(head);
    }

    /** Whether something found forbids it until that is mended. */
    public boolean barredBy(Set<BarredWork> bars) {
        return MethodOnHead.of(this).barredBy().stream().anyMatch(bars::contains);
    }

    /** Whether it fills the waste store, which is looked at first (handbook 8). */
    public boolean fillsWaste() {
        return this == CYCLE_STRONG || this == CHARGE || this == SYSTEM;
    }

    /** Whether the mains must be on for it. */
    public boolean needsPower() {
        return MethodOnHead.of(this).power();
    }

    /** Whether it can be done where the head is; what cannot needs the head taken out, or refitted first. */
    public boolean goesAt(Site site) {
        return MethodOnHead.of(this).goesAt(site);
    }

    /** Whether it takes place on the bench only, so that the head comes out for it. */
    public boolean isBenchWork() {
        return !goesAt(Site.IN_CARRIAGE);
    }

    /** What it wets of a head at that place before anybody looks; null for nothing. */
    public Wet wets(Site site) {
        return MethodOnHead.of(this).wet(site);
    }

    /** Whether contacts and board are looked at afterwards, before there is power again. */
    public boolean asksAfterwards() {
        return MethodOnHead.of(this).asksAfterwards();
    }

    /** Whether a pad lies under the head until it is taken out. */
    public boolean leavesPad(Site site) {
        return MethodOnHead.of(this).leavesPad(site);
    }

    /** Whether it goes on beside a head without touching, wetting or powering it. */
    public boolean leavesHeadAlone() {
        return MethodOnHead.of(this).touchesNothing();
    }

    /** Whether it wets contacts with a volatile fluid, which evaporates. */
    public boolean wetsContacts() {
        return MethodOnHead.of(this).wetsContacts();
    }

    /** Whether it pushes fluid in at the port. */
    public boolean isPush() {
        return MethodOnHead.of(this).family() == Gate.Code.NO_PUSH;
    }

    /** Whether a bottle goes with it at all. */
    public boolean takesFluid() {
        return MethodOnHead.of(this).use() != null;
    }

    /** Whether a kind of fluid may be used in it (handbook 11). */
    public boolean takes(FluidKind kind) {
        return takesFluid() && kind.allows(MethodOnHead.of(this).use());
    }

    /** The fluid that is its own, where it has one; null where a cleaner by ink and house is taken (handbook 8 and 11). */
    public FluidKind ownFluid() {
        return switch (this) {
            case STATION -> FluidKind.CAPPING_FLUID;
            case VAPOUR -> FluidKind.RESIDUE_REMOVER;
            case RESEAT -> FluidKind.ISOPROPYL_ALCOHOL;
            case RINSE, STEAM, STRIP -> FluidKind.DEIONISED_WATER;
            case PRIME, CHARGE -> FluidKind.INK;
            default -> null;
        };
    }

    /** Whether it is about the whole head or printer, so that no channel is asked for. */
    public boolean isWholeHead() {
        return switch (this) {
            case STATION, PARTS, UNDERSIDE, STRIP, RESEAT, REST, ALIGN, SYSTEM -> true;
            default -> false;
        };
    }

    /** Whether it reaches every channel, whatever it was meant for (handbook 8). */
    public boolean reachesEveryRow() {
        return switch (this) {
            case WIPE, PAD, VAPOUR, TRAY_SOAK, RINSE -> true;
            default -> isWholeHead();
        };
    }

    /** Whether the temperature of its fluid is asked for. */
    public boolean asksHeat() {
        return switch (this) {
            case FLUSH, WARM, PORT_SOAK, TRAY_SOAK, RINSE, BATH, DRAW_BACK -> true;
            default -> false;
        };
    }

    /** Whether it changes nothing that a nozzle check shows: no check has to follow it. */
    public boolean isBesideNozzles() {
        return this == ALIGN || this == STRIP || this == UNDERSIDE;
    }

    /** Whether it wets the face alone. */
    public boolean wetsFace() {
        return MethodOnHead.of(this).wetsFace();
    }

    /** What the fluid of work that flushes, soaks or bathes is asked to be fit for; null for other work. */
    public FluidUse fluidUse() {
        return switch (this) {
            case FLUSH, WARM, RINSE, DRAW_BACK, LINE, SYSTEM -> FluidUse.FLUSH;
            case PORT_SOAK -> FluidUse.PORT_SOAK;
            case TRAY_SOAK -> FluidUse.TRAY_SOAK;
            case BATH -> FluidUse.BATH;
            default -> null;
        };
    }

    public static Method of(Treatment treatment) {
        if (treatment instanceof Treatment.Flush flush) {
            return flush.method();
        }
        if (treatment instanceof Treatment.Soak soak) {
            return soak.place() == Treatment.Place.PORT ? PORT_SOAK : TRAY_SOAK;
        }
        if (treatment instanceof Treatment.Bath) {
            return BATH;
        }
        if (treatment instanceof Treatment.Cycle cycle) {
            return cycle.strength() == Treatment.Strength.STRONG ? CYCLE_STRONG : CYCLE;
        }
        return ((Treatment.Handwork) treatment).method();
    }
}
