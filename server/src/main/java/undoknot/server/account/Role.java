package undoknot.server.account;

public enum Role {
    TECHNICIAN,
    LEAD,
    /** Reads only. */
    OBSERVER
}
