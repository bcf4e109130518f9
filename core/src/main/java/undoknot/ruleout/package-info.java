/** What to look at before the head is blamed (handbook 6). */
package undoknot.ruleout;
