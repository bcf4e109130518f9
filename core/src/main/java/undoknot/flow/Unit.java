package undoknot.flow;

/** What a number of the bench is counted in. Kept so everywhere; a person may see some of them otherwise. */
public enum Unit {
    ML,
    ML_PER_S,
    S,
    MIN,
    KPA,
    N,
    C,
    M,
    MM,
    UM,
    CM2,
    MPA_S,
    /** A share of one, 0 to 1. */
    SHARE,
    /** A strength by volume, percent. */
    PERCENT,
    TIMES,
    MONEY,
    MONEY_PER_H
}
