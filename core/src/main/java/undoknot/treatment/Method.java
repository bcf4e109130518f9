package undoknot.treatment;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import undoknot.diagnosis.Between;
import undoknot.fluid.FluidUse;
import undoknot.head.Limits;
import undoknot.ruleout.Look;
import undoknot.ruleout.Look.Bar;

/**
 * Everything that is done to a head (handbook 8 and 14), with what a shop starts from until it has a record of its own.
 */
public enum Method {
    //               hands  chance  harm   rungs  what a change after it means
    CYCLE(4, 0.20, 0.002, 3, Between.CYCLE),
    CYCLE_STRONG(5, 0.15, 0.01, 1, Between.CYCLE),
    REST(1, 0.10, 0.001, 1, Between.REST),
    PAGE(3, 0.05, 0.001, 1, Between.CYCLE),
    CHARGE(6, 0.15, 0.01, 1, Between.CYCLE),
    PRIME(8, 0.15, 0.02, 2, Between.CYCLE),
    CARTRIDGE(6, 0.50, 0.005, 1, Between.CARTRIDGE),
    DRAW_IN(8, 0.40, 0.01, 1, Between.AIR),
    PURGE(6, 0.50, 0.01, 2, Between.AIR),
    STATION(15, 0.35, 0.005, 2, Between.STATION),
    UNDERSIDE(12, 0.60, 0.01, 1, Between.OTHER),
    WIPE(5, 0.25, 0.02, 2, Between.FACE),
    PAD(6, 0.30, 0.01, 3, Between.FACE),
    VAPOUR(8, 0.40, 0.01, 3, Between.FACE),
    FLUSH(15, 0.35, 0.03, 2, Between.FLUSH),
    PORT_SOAK(10, 0.30, 0.02, 4, Between.FLUSH),
    WARM(20, 0.30, 0.04, 2, Between.FLUSH),
    TRAY_SOAK(12, 0.30, 0.03, 4, Between.FLUSH),
    RINSE(25, 0.35, 0.04, 2, Between.FLUSH),
    BATH(25, 0.30, 0.06, 2, Between.FLUSH),
    STEAM(15, 0.20, 0.08, 1, Between.FLUSH),
    DRAW_BACK(40, 0.30, 0.06, 3, Between.FLUSH),
    DAMPER(20, 0.50, 0.01, 2, Between.SUPPLY),
    LINE(40, 0.50, 0.02, 1, Between.SUPPLY),
    SYSTEM(120, 0.40, 0.02, 1, Between.SUPPLY),
    RESEAT(10, 0.60, 0.01, 2, Between.OTHER),
    STRIP(8, 0.60, 0.01, 1, Between.OTHER),
    ALIGN(10, 0.60, 0.001, 2, Between.OTHER);

    private static final Set<Method> OF_OWN_KIND =
            EnumSet.of(CYCLE, CYCLE_STRONG, FLUSH, WARM, PORT_SOAK, TRAY_SOAK, BATH);

    /** Soaks grow by about four, minutes (handbook 18). */
    public static final List<Integer> SOAK_LADDER_MINUTES = List.of(10, 40, 180, 720);

    private final int handsMinutes;
    private final double startChance;
    private final double harmChance;
    private final int rungs;
    private final Between between;

    Method(int handsMinutes, double startChance, double harmChance, int rungs, Between between) {
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
            case FLUSH, WARM, PORT_SOAK -> 3.0 * channels;
            case PURGE -> 0.5 * channels;
            case PRIME -> 1.5 * channels;
            case LINE -> 30.0 * channels;
            case TRAY_SOAK, DRAW_BACK -> 25;
            case BATH -> 150;
            case SYSTEM -> 2000;
            case WIPE, PAD, VAPOUR, STATION -> 3;
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

    public Between between() {
        return between;
    }

    /** Whether it is logged as work with the hands rather than as a kind with doses and clocks of its own. */
    public boolean isHandwork() {
        return !OF_OWN_KIND.contains(this);
    }

    public static List<Method> handwork() {
        return Arrays.stream(values()).filter(Method::isHandwork).toList();
    }

    /** Cycles, fresh ink and rests let a head settle; they do not judge another treatment's check away. */
    public boolean settles() {
        return this == CYCLE || this == CYCLE_STRONG || this == CHARGE || this == PRIME || this == REST || this == PAGE;
    }

    /** Whether a family's limits allow it at all; a bath by a lead's consent counts as allowed. */
    public boolean allowedBy(Limits limits) {
        return switch (this) {
            case FLUSH, WARM, PURGE, PRIME -> limits.pushKpa() != null;
            case DRAW_BACK -> limits.suctionKpa() != null;
            case TRAY_SOAK -> limits.submerge() != Limits.Submerge.NO;
            case BATH -> limits.bath() != Limits.Bath.NO;
            case RINSE -> limits.rinse();
            case STEAM -> limits.steam();
            default -> true;
        };
    }

    /** Whether something found forbids it until that is mended. */
    public boolean barredBy(Set<Bar> bars) {
        return switch (this) {
            case CYCLE, PAGE -> bars.contains(Bar.CYCLES) || bars.contains(Bar.POWER);
            case CYCLE_STRONG, CHARGE ->
                bars.contains(Bar.CYCLES) || bars.contains(Bar.STRONG_CYCLES) || bars.contains(Bar.POWER);
            case WIPE -> bars.contains(Bar.WIPING_IN_PLACE);
            case FLUSH, WARM, PURGE, PRIME -> bars.contains(Bar.PUSHING);
            case ALIGN -> bars.contains(Bar.POWER);
            default -> false;
        };
    }

    /** Looks whose findings no longer hold once it was done. */
    public Set<Look> mends() {
        return switch (this) {
            case STATION -> EnumSet.of(Look.STATION);
            case WIPE, PAD, VAPOUR -> EnumSet.of(Look.FACE);
            case PURGE, DRAW_IN -> EnumSet.of(Look.AIR);
            case CARTRIDGE -> EnumSet.of(Look.INK_LEVEL, Look.SEAT);
            case DAMPER -> EnumSet.of(Look.DAMPER, Look.AIR);
            case LINE, SYSTEM -> EnumSet.of(Look.LINE, Look.DAMPER, Look.AIR);
            case UNDERSIDE -> EnumSet.of(Look.UNDERSIDE);
            case RESEAT -> EnumSet.of(Look.CONTACTS, Look.RECOGNITION, Look.ERRORS, Look.INK_AT_ALL);
            case STRIP -> EnumSet.of(Look.ENCODER);
            case FLUSH, WARM, PORT_SOAK, TRAY_SOAK, RINSE, BATH, STEAM, DRAW_BACK -> EnumSet.of(Look.DROP_TEST);
            default -> Set.of();
        };
    }

    /** What the fluid of it is asked to be fit for; null when it takes none. */
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
            return flush.temperatureC() > Gates.ROOM_C ? WARM : FLUSH;
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
