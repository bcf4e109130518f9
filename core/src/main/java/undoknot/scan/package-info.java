/** Reading a scanned check into a nozzle map: find the sheet, lay the layout over it, judge every dash. */
package undoknot.scan;
