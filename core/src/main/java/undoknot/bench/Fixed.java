package undoknot.bench;

/**
 * When and by whom a stint is done, whatever the rest of the day.
 *
 * @param person place in the list of people
 * @param start minute; of what has begun it may lie before the start of the day
 * @param begun whether it has begun; else somebody wants it there
 */
public record Fixed(int person, int start, boolean begun) {}
