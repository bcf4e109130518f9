/** Heads: constructions with their limits, families with their channels and ports, tags. */
package undoknot.head;
