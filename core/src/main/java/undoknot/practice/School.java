package undoknot.practice;

/**
 * One answer to a question on which practice divides (handbook 12). Each question has an enum of its own, its default first;
 * {@link HouseQuestion} names it.
 */
public sealed interface School {

    /** How the answer is stored and sent. */
    String name();

    /** The question it answers. */
    default HouseQuestion question() {
        return HouseQuestion.answeredBy(getClass());
    }

    enum CyclesFirst implements School {
        UP_TO_THREE,
        NONE,
        STRONG_AT_THE_END
    }

    enum Place implements School {
        IN_PLACE_FIRST,
        ON_THE_BENCH
    }

    enum PushOrDraw implements School {
        BY_CONSTRUCTION,
        PUSH,
        DRAW
    }

    enum Dose implements School {
        SMALL_WITH_SOAK,
        LONG_PULSING
    }

    enum StuckPort implements School {
        WARM_THEN_SOAK,
        SOAK,
        RINSE_AGAIN
    }

    enum WarmFluid implements School {
        WHEN_STIFF,
        ALWAYS,
        NEVER
    }

    enum WhichFluid implements School {
        PURPOSE_MADE,
        WARM_WATER_FIRST,
        HOUSEHOLD
    }

    enum AirCushion implements School {
        NONE,
        CUSHION
    }

    enum Submerge implements School {
        BASE_ONLY,
        WHOLE_HEAD,
        NEVER
    }

    enum Wiping implements School {
        DAMP_IN_PLACE,
        OFF_THE_MACHINE
    }

    enum PadStuff implements School {
        LINT_FREE,
        PAPER
    }

    enum Hold implements School {
        BY_WHAT_WAS_WET,
        /** As above, but a rinsed head with open inlets, dried in moving air and its contacts seen dry, waits two hours. */
        RINSED_OPEN_TWO_HOURS,
        OVERNIGHT,
        A_DAY
    }

    enum AfterFlush implements School {
        CYCLES,
        INK_CHARGE,
        SYRINGE
    }

    enum CycleStrength implements School {
        LIGHTEST,
        NORMAL,
        STRONG
    }

    enum NewParts implements School {
        IF_IT_FAILS,
        ALWAYS
    }

    enum WasteStore implements School {
        BY_THE_MACHINE,
        REPLACE,
        OUTSIDE_BOTTLE
    }

    enum Ink implements School {
        RECORDED,
        MAKERS_OWN
    }

    enum StopWhen implements School {
        RULE_AND_MONEY,
        TWO_UNCHANGED,
        NO_FLOW,
        NEVER
    }
}
