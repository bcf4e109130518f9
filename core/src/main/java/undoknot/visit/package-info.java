/**
 * What happened on a visit, in order: told, checked, looked, worked; the rounds between checks, the findings that still hold,
 * what they make unsafe, and the clocks that run. Uses nozzle, treatment and observation.
 */
package undoknot.visit;
