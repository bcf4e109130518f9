package undoknot.observation;

/** What a count behind an observation or an advice counts; the words of both are made with it. */
public enum Fact {
    // Told at take-in.
    DAYS,
    MONTHS,
    TIMES,
    CYCLES,
    // Read off one map.
    OUT,
    OF,
    RUN,
    DEFLECTED,
    CHANNELS,
    GROUP,
    /** Last of several drive groups that follow one another. */
    LAST_GROUP,
    GROUPS,
    /** Drive groups that are out. */
    FILLED,
    NOZZLES,
    // Read off two maps.
    BEFORE,
    NOW,
    RESTORED,
    STILL_OUT,
    NEWLY_OUT,
    ROUNDS,
    // Work and looks.
    STROKES,
    ATTEMPTS,
    MINUTES,
    /** Chance of the likeliest cause, percent. */
    PERCENT
}
