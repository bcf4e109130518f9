/** Sums of pressure and flow at the bench (handbook 18).. */
package undoknot.flow;
