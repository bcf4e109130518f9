package undoknot.visit;

/** What is logged of a head besides checks, looks and work: where it is, what lies under it, what got wet (handbook 8, 12, 14). */
public enum HeadEntry {
    HEAD_OUT,
    HEAD_IN,
    PAD_OUT,
    /** On its cap, or a moist pad laid under it. */
    CAPPED,
    UNCAPPED,
    /** Contacts and board looked at and dry. */
    SEEN_DRY,
    CONTACTS_DAMP,
    BOARD_DAMP,
    SPILL,
    /** Something got wet, or somebody wishes a longer hold: says how far and how long. */
    HOLD,
    /** A lead ends a hold before its time. */
    HOLD_ENDED
}
