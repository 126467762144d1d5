/**
 * Reading the shelf: rows of spines, issues from their kept figures, files, mails, runs.
 * Open {@link mailshelf.server.shelf.ReadShelf} first.
 */
package mailshelf.server.shelf;
