/**
 * Subscriptions from the composer to their end, and the preview of what they send.
 * Open {@link mailshelf.server.subscription.SubscriptionController} first.
 */
package mailshelf.server.subscription;
