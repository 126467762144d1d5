/**
 * Keeps the two clocks: the business clock that decides what is due, and the machine clock for leases and throttling.
 * Open {@link mailshelf.server.clock.BusinessClock} first.
 */
package mailshelf.server.clock;
