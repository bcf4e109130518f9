/** Treatments: what each kind records, what stands in its way, which cautions go with it (handbook 8, 9, 17). */
package undoknot.treatment;
