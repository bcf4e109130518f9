/** How it went: recovery of a visit, the knot of an attempt, the outcome and what it claims. */
package undoknot.outcome;
