package undoknot.plan;

/**
 * One thing that hands do in an attempt, with the minutes it usually keeps them (the shop's own habit, not a limit): once,
 * and for each port or channel besides. Strokes and bursts add the time that they last.
 */
public enum Doing {
    PREPARE(2, 0),
    WARM_FLUID(3, 0),
    MAINS_OFF(0.5, 0),
    FREE_CARRIAGE(1, 0),
    CARTRIDGES_OFF(0.5, 0.25),
    TAKE_OUT(3, 0),
    PARTS_OFF(2, 0),
    /** Goggles, a plastic sheet and a fresh pad on it. */
    PROTECT(1.5, 0),
    FIT_SYRINGE(0.5, 0.5),
    STROKE(0, 2),
    PULSES(0, 4),
    FILL(0, 1.5),
    STAND(0.5, 0),
    SECOND_STROKE(0, 1.5),
    CARTRIDGE_BACK(0, 0.5),
    PAD_IN(1.5, 0),
    RE_WET(0.5, 0),
    PAD_OUT(0.5, 0),
    AIR_COVERS(0.5, 0),
    TRAY_IN(1.5, 0),
    SEALS_IN_JAR(1, 0),
    LIFT_OUT(1, 0),
    RINSE_TURNS(10, 0),
    LAST_RINSE(3, 0),
    BASKET_IN(3, 0),
    DEGAS(0.5, 0),
    BURSTS(2, 0),
    STEAM_BURSTS(3, 0),
    CLEAN_MANIFOLD(10, 0),
    WET_PLATE(3, 0),
    DRAW(0, 6),
    PARTS_ON(3, 0),
    WIPE_DAMP(1, 0),
    PARK(0, 0),
    WIPE_DRY(1, 0),
    CLEAN_STATION(12, 0),
    CLEAN_UNDERSIDE(8, 0),
    SWAB_STRIP(6, 0),
    CLEAN_CONTACTS(7, 0),
    EVAPORATE(0, 0),
    CLEAN_PARTS(8, 0),
    CARTRIDGE(0, 4),
    DRAW_INK_IN(0, 4),
    PULL_DAMPER(0, 14),
    NEW_DAMPER(0, 14),
    FLUSH_LINE(0, 32),
    FLUSH_SYSTEM(115, 0),
    LOOK_DRY(1, 0),
    HOLD(0, 0),
    REFIT(3, 0),
    POWER_ON(0.5, 0),
    CYCLE(4, 0),
    CYCLE_STRONG(5, 0),
    CHARGE(6, 0),
    PAGE(3, 0),
    REST(1, 0),
    ALIGN(10, 0),
    LOOK(0, 0),
    CHECK(2, 0),
    SIGN_OFF(3, 0);

    private final double once;
    private final double each;

    Doing(double once, double each) {
        this.once = once;
        this.each = each;
    }

    /** Minutes of hands for so many ports. */
    public double handsMinutes(int ports) {
        return once + each * ports;
    }
}
