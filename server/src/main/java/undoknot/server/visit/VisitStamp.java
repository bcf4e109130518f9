package undoknot.server.visit;

import java.util.UUID;

/**
 * What tells whether a visit, as it was loaded before, still stands.
 *
 * @param changes how often something was logged on it
 * @param version of the visit's own row
 * @param head version of its head
 * @param customer version of its customer
 */
public record VisitStamp(UUID id, long changes, Long version, Long head, String familyCode, Long customer) {}
