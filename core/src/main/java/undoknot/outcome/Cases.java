package undoknot.outcome;

/**
 * What became of attempts of one kind.
 *
 * @param tried attempts that were judged by a check
 * @param reached those that reached acceptance
 */
public record Cases(int tried, int reached) {

    public static final Cases NONE = new Cases(0, 0);

    public Cases {
        if (tried < 0 || reached < 0 || reached > tried) {
            throw new IllegalArgumentException(reached + " of " + tried + " attempts cannot have reached acceptance");
        }
    }

    public Cases plus(Cases other) {
        return new Cases(tried + other.tried, reached + other.reached);
    }
}
