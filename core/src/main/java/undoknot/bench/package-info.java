/** The order of the day: who does what when, on what, and a promise that holds (handbook 3, 8 and 12). */
package undoknot.bench;
