/**
 * From due to delivered: the loop and its steps, each safe to repeat.
 * Open {@link mailshelf.server.delivery.DeliveryLoop} first.
 */
package mailshelf.server.delivery;
