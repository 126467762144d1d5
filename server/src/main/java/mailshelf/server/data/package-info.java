/**
 * Data sets and their loads, and the rows in memory.
 * Open {@link mailshelf.server.data.Tables} first.
 */
package mailshelf.server.data;
