/**
 * Nozzle maps: the stored reading of a nozzle check, what one map says and what two say together (handbook 5).
 *
 * <p>A nozzle is <em>out</em> when it is missing. Weak and deflected nozzles print; they are counted apart. An unread
 * nozzle is neither out nor firing.
 */
package undoknot.nozzle;
