/** An advice expanded into steps with every number (handbook 8, 9, 11, 12 and 18). */
package undoknot.plan;
