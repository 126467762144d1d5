/**
 * Who does what among the servers that share the work.
 * Open {@link mailshelf.server.lease.LeaseKeeper} first.
 */
package mailshelf.server.lease;
