/**
 * Keeps units of work that failed. Open {@link mailshelf.store.work.WorkFailureStore} first.
 */
package mailshelf.store.work;
