/**
 * Keeps issues as tar files that any tar program opens, appended to and cut back so that a crash loses nothing named.
 * Also checks an archive without the database.
 * Open {@link mailshelf.store.archive.Archive} first.
 */
package mailshelf.store.archive;
