/**
 * Keeps runs, their recipients and deliveries, and hands them out under leases.
 * Open {@link mailshelf.store.delivery.RunStore} first.
 */
package mailshelf.store.delivery;
