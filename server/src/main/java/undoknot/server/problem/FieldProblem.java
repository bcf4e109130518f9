package undoknot.server.problem;

/**
 * What is wrong with one entry.
 *
 * @param field path of the entry in the request, for instance {@code flush.strokes[0].volumeMl}
 * @param code short name of the rule
 * @param message what to do about it, shown beside the entry
 */
public record FieldProblem(String field, String code, String message) {}
