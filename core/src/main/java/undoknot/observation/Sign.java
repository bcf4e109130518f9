package undoknot.observation;

import java.util.Set;

/**
 * Everything that can be observed about a head: the one vocabulary that the screens, the store and the ranking share. What
 * each sign speaks for stands in {@link Likelihoods}, its words in the table of words.
 */
public enum Sign {
    // Told at take-in (handbook 4).
    IDLE_SHORT(Kind.TOLD),
    IDLE_OVER_WEEK(Kind.TOLD),
    IDLE_OVER_MONTH(Kind.TOLD),
    HOT_DRY(Kind.TOLD),
    UNPOWERED(Kind.TOLD),
    INK_OLD(Kind.TOLD),
    SETTLING_INK(Kind.TOLD),
    THIRD_PARTY_INK(Kind.TOLD),
    REFILLED_TOO_OFTEN(Kind.TOLD),
    SETUP_CARTRIDGES(Kind.TOLD),
    CARTRIDGE_LEFT_OUT(Kind.TOLD),
    PRINTED_EMPTY(Kind.TOLD),
    DAMPERS_WORN(Kind.TOLD),
    /** The customer has poured something into it already. */
    POURED_IN(Kind.TOLD),
    SOME_CYCLES(Kind.TOLD),
    MANY_CYCLES(Kind.TOLD),
    TOLD_GAPS_ONE_COLOUR(Kind.TOLD),
    TOLD_GAPS_SEVERAL(Kind.TOLD),
    TOLD_ONE_COLOUR_GONE(Kind.TOLD),
    TOLD_EVERYTHING_BLANK(Kind.TOLD),
    TOLD_STARVES(Kind.TOLD),
    TOLD_STOPS(Kind.TOLD),
    TOLD_PALE_EDGE(Kind.TOLD),
    TOLD_STRIPE(Kind.TOLD),
    TOLD_WANDERS(Kind.TOLD),
    TOLD_NEVER_MOVES(Kind.TOLD),
    TOLD_MORE_AFTER_CLEANING(Kind.TOLD),
    TOLD_HALF_PALE(Kind.TOLD),
    TOLD_COLOUR_REPLACED(Kind.TOLD),
    TOLD_SMEARS(Kind.TOLD),
    TOLD_BANDING(Kind.TOLD),
    TOLD_HEAD_ERROR(Kind.TOLD),
    TOLD_OVERHEAT(Kind.TOLD),
    TOLD_NOT_RECOGNISED(Kind.TOLD),
    TOLD_CARRIAGE_STANDS(Kind.TOLD),
    /** A symptom was told of this channel. */
    TOLD_IN_CHANNEL(Kind.TOLD),
    /** It came in for something else than a repair. */
    TOLD_NO_COMPLAINT(Kind.TOLD),
    /** A symptom was told at one place of the sheet. */
    TOLD_AT_PLACE(Kind.TOLD),

    // One map (handbook 5 and 7).
    NO_CHECK(Kind.MAP),
    ALL_FIRING(Kind.MAP),
    GAPS_IN_MOST(Kind.MAP),
    /** The same after more than a month idle. */
    GAPS_IN_MOST_IDLE(Kind.MAP),
    GAPS_IN_FEW(Kind.MAP),
    WHOLLY_OUT(Kind.MAP),
    /** One channel alone, the others fine. */
    WHOLLY_OUT_ALONE(Kind.MAP),
    /** After more than a month idle. */
    WHOLLY_OUT_IDLE(Kind.MAP),
    /** Every channel. */
    ALL_BLANK(Kind.MAP),
    GROUP_FILLED(Kind.MAP),
    DENSITY_STEP(Kind.MAP),
    SCATTERED(Kind.MAP),
    LONG_RUN(Kind.MAP),
    ENDS_WORST(Kind.MAP),
    DENSE_WITH_DEFLECTED(Kind.MAP),
    DENSE_RUN(Kind.MAP),
    DEFLECTED_CLUSTER(Kind.MAP),
    FOREIGN_COLOUR(Kind.MAP),

    // Two maps, by what was done between them.
    WANDERS(Kind.PAIR),
    FIXED_AFTER_CYCLE(Kind.PAIR),
    SHRINKS_AFTER_CYCLE(Kind.PAIR),
    FIXED_AFTER_FLUSH(Kind.PAIR),
    SHRINKS_AFTER_FLUSH(Kind.PAIR),
    UNCHANGED_TWO_ROUNDS(Kind.PAIR),
    NEWLY_OUT_AFTER_CYCLE(Kind.PAIR),
    WHOLLY_OUT_AFTER_FLUSH(Kind.PAIR),
    BETTER_AFTER_STATION(Kind.PAIR),
    BETTER_AFTER_FACE(Kind.PAIR),
    BETTER_AFTER_AIR(Kind.PAIR),
    BETTER_AFTER_CARTRIDGE(Kind.PAIR),
    BETTER_AFTER_SUPPLY(Kind.PAIR),
    SAME_AFTER_STATION(Kind.PAIR),
    SAME_AFTER_FACE(Kind.PAIR),
    SAME_AFTER_AIR(Kind.PAIR),
    SAME_AFTER_CARTRIDGE(Kind.PAIR),
    SAME_AFTER_SUPPLY(Kind.PAIR),
    BACK_AFTER_REST(Kind.PAIR),

    // Coarser readings: bars, stream, pad print.
    BAR_PALE(Kind.COARSE),
    BAR_STREAKED(Kind.COARSE),
    STREAM_NONE(Kind.COARSE),
    STREAM_BROKEN(Kind.COARSE),
    STREAM_WHOLE(Kind.COARSE),
    PAD_PART(Kind.COARSE),

    // How a treatment went.
    FLOW_FREE(Kind.FLOW),
    FLOW_STIFF(Kind.FLOW),
    FLOW_EASED(Kind.FLOW),
    FLOW_NONE(Kind.FLOW),
    EFFLUENT_RESIDUE(Kind.FLOW),
    EFFLUENT_BUBBLES(Kind.FLOW),
    /** Two passes of an alignment that moved by more than a step. */
    ALIGN_UNSETTLED(Kind.FLOW),

    // Findings of the looks (handbook 6).
    ERRORS_NONE(Kind.FINDING),
    ERROR_EXPECTED_BACK(Kind.FINDING),
    ERROR_STANDS(Kind.FINDING),
    MOVES_FREELY(Kind.FINDING),
    CABLE_LOOSE(Kind.FINDING),
    CARRIAGE_STANDS(Kind.FINDING),
    INK_THERE(Kind.FINDING),
    SPONGE_DRY(Kind.FINDING),
    VENT_CLOSED(Kind.FINDING),
    RECOGNISED(Kind.FINDING),
    RECOGNISED_ONCE_CLEANED(Kind.FINDING),
    NOT_RECOGNISED(Kind.FINDING),
    SEAT_SOUND(Kind.FINDING),
    SEAT_LEAKS(Kind.FINDING),
    DAMPER_FULL(Kind.FINDING),
    DAMPER_EMPTY(Kind.FINDING),
    PULL_FREE(Kind.FINDING),
    PULL_DRAGS(Kind.FINDING),
    PULL_BLOCKED(Kind.FINDING),
    LINE_CLEAR(Kind.FINDING),
    LINE_SEDIMENT(Kind.FINDING),
    STATION_CLEAN(Kind.FINDING),
    STATION_CRUSTED(Kind.FINDING),
    UNDERSIDE_CLEAN(Kind.FINDING),
    UNDERSIDE_FLAKES(Kind.FINDING),
    WASTE_ROOM(Kind.FINDING),
    WASTE_FULL(Kind.FINDING),
    STRIP_CLEAN(Kind.FINDING),
    STRIP_SMEARED(Kind.FINDING),
    FACE_CLEAN(Kind.FINDING),
    FACE_DIRTY(Kind.FINDING),
    /** A scratch beside the nozzles: noted, no gate. */
    FACE_MARKED(Kind.FINDING),
    FACE_DAMAGED(Kind.FINDING),
    DROPS_THROUGH(Kind.FINDING),
    DROPS_SLOW(Kind.FINDING),
    DROPS_BLOCKED(Kind.FINDING),
    CONTACTS_SOUND(Kind.FINDING),
    CONTACTS_DIRTY(Kind.FINDING),
    COOL_RUNS(Kind.FINDING),
    COOL_NO_CHANGE(Kind.FINDING),
    PAGE_REACHES(Kind.FINDING),
    PAGE_FAILS(Kind.FINDING),
    LONG_PRINT_HELD(Kind.FINDING),
    LONG_PRINT_STOPPED(Kind.FINDING),
    PAGE_CLEAN(Kind.FINDING),
    PAGE_DIRTY(Kind.FINDING);

    /** Where an observation comes from. */
    public enum Kind {
        TOLD,
        MAP,
        PAIR,
        COARSE,
        FLOW,
        FINDING
    }

    /** Seen by the way, without a look: on the print, or in what came out. */
    public static final Set<Sign> BY_THE_WAY =
            Set.of(FOREIGN_COLOUR, EFFLUENT_RESIDUE, EFFLUENT_BUBBLES, ALIGN_UNSETTLED);

    private final Kind kind;

    Sign(Kind kind) {
        this.kind = kind;
    }

    public Kind kind() {
        return kind;
    }
}
