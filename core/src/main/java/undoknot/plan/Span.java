package undoknot.plan;

import undoknot.flow.Sum;

/**
 * A number that hangs on how many attempts it takes.
 *
 * @param expected on average
 * @param low what it comes to where it goes well: one visit in ten takes less
 * @param high what it comes to where it goes badly: one visit in ten takes more
 */
public record Span(Sum expected, double low, double high) {}
