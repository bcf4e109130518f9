/**
 * The vocabulary of what can be observed, the looks that find it, and what one map or a take-in tells in that vocabulary
 * (handbook 4 to 6). Uses head and nozzle.
 */
package undoknot.observation;
