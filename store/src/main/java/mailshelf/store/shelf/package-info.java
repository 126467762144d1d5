/**
 * Keeps issues, their copies and files, and what stands on whose shelf.
 * Open {@link mailshelf.store.shelf.IssueStore} first.
 */
package mailshelf.store.shelf;
