/** What needs hands when: clocks with absolute due times, holds, the next thing to do with a head. */
package undoknot.bench;
