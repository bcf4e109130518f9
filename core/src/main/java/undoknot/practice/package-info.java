/** House rules: where practice divides, and what a shop has settled on (handbook 12). Uses nothing. */
package undoknot.practice;
