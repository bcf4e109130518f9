package undoknot.plan;

import undoknot.treatment.Method;

/** What tells that a step is done when a plan is gone through step by step: a tap, or what stands in the record. */
public enum DoneBy {
    /** Hands did it; a tap says so. */
    TAP(false),
    /** Time goes by; a tap ends it. */
    TIME(false),
    /** The mains are on again; a tap says so, and none is taken while anything keeps the head from power. */
    POWER(false),
    /** Port by port, until the work is over. */
    STROKES(true),
    /** The work stands in the record. */
    WORK(true),
    /** The work is over: its last clock was ended. */
    WORK_OVER(true),
    HEAD_OUT(true),
    HEAD_IN(true),
    PAD_OUT(true),
    /** Contacts and board were looked at. */
    LOOKED_DRY(true),
    /** No dry hold runs. */
    HOLD_OVER(true),
    /** What evaporates has, and covers stood open long enough. */
    AIRED(true),
    /** Something was found, at a look. */
    LOOKED(true),
    CHECKED(true),
    SIGNED_OFF(true);

    private final boolean fromRecord;

    DoneBy(boolean fromRecord) {
        this.fromRecord = fromRecord;
    }

    /** Whether the record tells it, so that nobody taps it. */
    public boolean isFromRecord() {
        return fromRecord;
    }

    /** Whether it ends by itself: that it is over says nothing of how far hands are. */
    boolean isTimeAlone() {
        return this == HOLD_OVER || this == AIRED;
    }

    /** @param method whose step it is */
    public static DoneBy of(Doing doing, Method method) {
        return switch (doing) {
            case PREPARE,
                    MAINS_OFF,
                    FREE_CARRIAGE,
                    CARTRIDGES_OFF,
                    PARTS_OFF,
                    PROTECT,
                    FIT_SYRINGE,
                    CARTRIDGE_BACK,
                    RE_WET,
                    SEALS_IN_JAR,
                    LIFT_OUT,
                    CLEAN_MANIFOLD,
                    WET_PLATE,
                    PARTS_ON,
                    BASKET_IN,
                    WIPE_DRY -> TAP;
            case WARM_FLUID, DEGAS -> TIME;
            case POWER_ON -> POWER;
            case STROKE, PULSES, SECOND_STROKE, DRAW, PULL_DAMPER, FLUSH_LINE -> STROKES;
            // Between two strokes the clock is one of the strokes; else it is the work's own.
            case STAND -> method.kind() == Method.FLUSH.kind() ? STROKES : WORK_OVER;
            case FILL,
                    PAD_IN,
                    TRAY_IN,
                    WIPE_DAMP,
                    CLEAN_STATION,
                    CLEAN_UNDERSIDE,
                    SWAB_STRIP,
                    CLEAN_CONTACTS,
                    CLEAN_PARTS,
                    CARTRIDGE,
                    DRAW_INK_IN,
                    NEW_DAMPER,
                    STEAM_BURSTS,
                    CYCLE,
                    CYCLE_STRONG,
                    CHARGE,
                    PAGE -> WORK;
            case BURSTS, PARK, REST, RINSE_TURNS, LAST_RINSE, FLUSH_SYSTEM, ALIGN -> WORK_OVER;
            case TAKE_OUT -> HEAD_OUT;
            case REFIT -> HEAD_IN;
            case PAD_OUT -> PAD_OUT;
            case LOOK_DRY -> LOOKED_DRY;
            case HOLD -> HOLD_OVER;
            case AIR_COVERS, EVAPORATE -> AIRED;
            case LOOK -> LOOKED;
            case CHECK -> CHECKED;
            case SIGN_OFF -> SIGNED_OFF;
        };
    }
}
