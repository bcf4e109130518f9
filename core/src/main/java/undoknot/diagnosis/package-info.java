/**
 * What is likely wrong and what one more look would tell: evidence of a visit, likelihoods, ranking (handbook 7). Uses visit
 * and observation.
 */
package undoknot.diagnosis;
