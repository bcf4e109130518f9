/**
 * Work as it happens: rounds of strokes and turns until every channel is at its end point, what was noted besides, and parts
 * as things of their own (handbook 8).
 */
package undoknot.sitting;
