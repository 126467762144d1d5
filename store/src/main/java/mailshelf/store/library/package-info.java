/**
 * Keeps reports and every version of their definitions.
 * Open {@link mailshelf.store.library.ReportStore} first.
 */
package mailshelf.store.library;
