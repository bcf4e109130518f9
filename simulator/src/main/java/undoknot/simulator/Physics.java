package undoknot.simulator;

/**
 * Every number the stand-in head obeys, in one place. They are plausible, not measured; handbook 8, 9, 13 and 18 give
 * the directions.
 */
enum Physics {
    /** Diffusion into a wet plug, m²/s (handbook 18: an assumption). */
    DIFFUSION(1e-10),
    /** A plug thinner than this no longer holds back a dash, µm. */
    PLUG_WEAK_UM(12),
    /** A plug thinner than this lets ink pass as if it were not there, µm. */
    PLUG_GONE_UM(4),
    /** A push at the limit of the family breaks plugs up to this depth, times what is left of their strength, µm. */
    PUSH_BREAKS_UM(60),
    /** One burst of an ultrasonic bath takes this much off every plug, µm. */
    BURST_TAKES_UM(35),
    /** One light cycle breaks plugs up to this depth, µm; a strong one three times as deep. */
    CYCLE_BREAKS_UM(8),
    /** Ink a light cycle burns per channel, mL; normal twice, strong five times. */
    CYCLE_BURNS_ML(0.25),
    /** Share of the nozzles of a channel that one cycle on a filthy station puts out. */
    STATION_CLOGS(0.05),
    /** Depth of what a dirty station leaves in a nozzle, µm. */
    STATION_PLUG_UM(30),
    /** Share of the air in a channel that a light cycle carries off. */
    CYCLE_TAKES_AIR(0.2),
    /** Share of the air that a purge carries off. */
    PURGE_TAKES_AIR(0.9),
    /** Chance that a flush leaves a bubble behind, and the largest share of the nozzles it can cover. */
    FLUSH_LEAVES_AIR(0.25),
    FLUSH_AIR(0.3),
    /** Share of the air that goes by itself in twelve hours of rest. */
    REST_TAKES_AIR(0.5),
    /** Deflection that a millimetre of over-pressure (per limit) leaves, steps, and the share of nozzles bent. */
    OVER_PRESSURE_BENDS(0.45),
    OVER_PRESSURE_SHARE(0.12),
    /** Moisture that wet work leaves at the board: next to none after a flush in place; halves every so many hours. */
    WET_AFTER_FLUSH(0.05),
    WET_AFTER_TRAY(0.5),
    WET_AFTER_BATH(0.9),
    DRY_HALF_HOURS(2.5),
    /** Moisture above which power kills a drive group. */
    WET_KILLS(0.12),
    /** Chance that a vapour or pad soak loosens one piece of debris; a wipe does less. */
    PAD_LOOSENS(0.75),
    WIPE_LOOSENS(0.35);

    private final double value;

    Physics(double value) {
        this.value = value;
    }

    double value() {
        return value;
    }
}
