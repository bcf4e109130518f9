/**
 * The two works that are led by steps of their own instead of by what is wrong: changing the ink, and flushing a whole system
 * (handbook 15).
 */
package undoknot.procedure;
