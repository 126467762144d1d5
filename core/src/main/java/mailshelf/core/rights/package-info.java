/**
 * Decides who may do what in which folder, and explains the answer.
 * A folder takes what the one above it gives, until it says otherwise.
 * Open {@link mailshelf.core.rights.Rights} first.
 */
package mailshelf.core.rights;
