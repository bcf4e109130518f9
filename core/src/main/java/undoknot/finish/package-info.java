/**
 * The end of a visit (handbook 12, 14 and 16): what came off goes back on, the head is aligned, what a check cannot show is
 * proven by a page, it is signed off, reckoned up, and goes home with what keeps it alive.
 */
package undoknot.finish;
