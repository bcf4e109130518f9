/** How long a head must be kept from power (handbook 12). */
package undoknot.bench;
