package undoknot.observation;

/** Symptoms to choose from at take-in (handbook 4). */
public enum Symptom {
    GAPS_ONE_COLOUR,
    GAPS_SEVERAL,
    ONE_COLOUR_GONE,
    EVERYTHING_BLANK,
    STARVES_DOWN_THE_SHEET,
    GAPS_WANDER,
    GAPS_NEVER_MOVE,
    MORE_AFTER_CLEANING,
    HALF_CHANNEL_PALE,
    COLOUR_REPLACED,
    SMEARS,
    BANDING_ALL_FIRING,
    HEAD_ERROR,
    OVERHEAT_STOP,
    CARTRIDGE_NOT_RECOGNISED,
    CARRIAGE_STANDS
}
