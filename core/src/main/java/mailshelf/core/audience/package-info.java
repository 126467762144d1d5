/**
 * Decides who gets an issue and who does not, and why.
 * Expanded anew at every send and frozen with the run.
 * Open {@link mailshelf.core.audience.Recipient} first.
 */
package mailshelf.core.audience;
