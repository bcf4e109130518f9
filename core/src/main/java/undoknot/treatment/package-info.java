/**
 * Every method, what each records, the gates in its way and the cautions that go with it (handbook 8, 9, 11 and 17). Uses
 * head, fluid and practice.
 */
package undoknot.treatment;
