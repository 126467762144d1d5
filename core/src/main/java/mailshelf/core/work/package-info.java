/**
 * Decides what becomes of a unit of work that failed unexpectedly: another try after a pause, or set aside.
 * Open {@link mailshelf.core.work.RetryPauses} first.
 */
package mailshelf.core.work;
