package undoknot.server.visit;

/** Why a first reading is left out although no fault forbids it (handbook 3). */
public enum NotTaken {
    HEAD_CAME_ALONE,
    CARTRIDGES_EMPTY
}
