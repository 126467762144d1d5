/**
 * Decides how a run moves from due to delivered: states, what a server's answer means, when to try again.
 * Pure functions from (state, event) to (state, what next); the loop in the server carries them out.
 * Open {@link mailshelf.core.delivery.RunState} first.
 */
package mailshelf.core.delivery;
