/**
 * The rules asked after each check, the ladders, and the one place that says what is next (handbook 13). Uses diagnosis,
 * outcome and practice. Where to find a rule: {@code docs/handbook.md}.
 */
package undoknot.advice;
