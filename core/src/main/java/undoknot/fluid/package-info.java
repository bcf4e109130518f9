/** Fluids: kinds and where they may go, lots, doses (handbook 11). */
package undoknot.fluid;
