/**
 * Decides whether an issue goes out at all, and says why not.
 * A skipped issue stands on the shelf with its reason.
 * Open {@link mailshelf.core.condition.Sending} first.
 */
package mailshelf.core.condition;
