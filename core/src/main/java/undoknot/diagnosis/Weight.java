package undoknot.diagnosis;

/**
 * How strongly a sign speaks for or against a cause: a likelihood ratio, how much more often the sign is seen with the cause
 * than without it.
 */
public enum Weight {
    /** Hardly ever seen without the cause. */
    DECISIVE("++++", 40),
    STRONG("+++", 12),
    MODERATE("++", 4),
    WEAK("+", 2),
    NONE(".", 1),
    WEAK_AGAINST("-", 1 / 2.0),
    AGAINST("--", 1 / 4.0),
    STRONG_AGAINST("---", 1 / 12.0);

    private final String mark;
    private final double ratio;

    Weight(String mark, double ratio) {
        this.mark = mark;
        this.ratio = ratio;
    }

    /** How it is written in the table. */
    String mark() {
        return mark;
    }

    public double ratio() {
        return ratio;
    }

    static Weight ofMark(String mark) {
        for (Weight weight : values()) {
            if (weight.mark.equals(mark)) {
                return weight;
            }
        }
        throw new IllegalArgumentException("no weight is written " + mark);
    }
}
