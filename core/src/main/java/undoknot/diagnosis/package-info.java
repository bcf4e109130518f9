/** What is wrong with a head: symptoms told at take-in and causes (handbook 4 and 7). */
package undoknot.diagnosis;
