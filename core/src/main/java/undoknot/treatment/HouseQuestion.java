package undoknot.treatment;

import java.util.List;

/** Where practice divides (handbook 12): each question with its schools, the default first. */
public enum HouseQuestion {
    CYCLES_FIRST("UP_TO_THREE", "NONE", "STRONG_AT_THE_END"),
    PLACE("IN_PLACE_FIRST", "ON_THE_BENCH"),
    PUSH_OR_DRAW("BY_CONSTRUCTION", "PUSH", "DRAW"),
    DOSE("SMALL_WITH_SOAK", "LONG_PULSING"),
    STUCK_PORT("WARM_THEN_SOAK", "SOAK", "RINSE_AGAIN"),
    WARM_FLUID("WHEN_STIFF", "ALWAYS", "NEVER"),
    WHICH_FLUID("PURPOSE_MADE", "WARM_WATER_FIRST", "HOUSEHOLD"),
    AIR_CUSHION("NONE", "CUSHION"),
    SUBMERGE("BASE_ONLY", "WHOLE_HEAD", "NEVER"),
    WIPING("DAMP_IN_PLACE", "OFF_THE_MACHINE"),
    PAD_STUFF("LINT_FREE", "PAPER"),
    HOLD("BY_WHAT_WAS_WET", "OVERNIGHT", "A_DAY"),
    AFTER_FLUSH("CYCLES", "INK_CHARGE", "SYRINGE"),
    CYCLE_STRENGTH("LIGHTEST", "NORMAL", "STRONG"),
    NEW_PARTS("IF_IT_FAILS", "ALWAYS"),
    WASTE_STORE("BY_THE_MACHINE", "REPLACE", "OUTSIDE_BOTTLE"),
    INK("RECORDED", "MAKERS_OWN"),
    WHEN_TO_STOP("RULE_AND_MONEY", "TWO_UNCHANGED", "NO_FLOW", "NEVER");

    private final List<String> schools;

    HouseQuestion(String... schools) {
        this.schools = List.of(schools);
    }

    /** The schools, the default first. */
    public List<String> schools() {
        return schools;
    }
}
