/**
 * Reports without a server: a definition and a file of rows, checked and drawn from the command line.
 * Open {@link mailshelf.server.offline.CheckReport} first.
 */
package mailshelf.server.offline;
