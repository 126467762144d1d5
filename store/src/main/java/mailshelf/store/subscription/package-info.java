/**
 * Keeps subscriptions and every version of their terms.
 * Open {@link mailshelf.store.subscription.SubscriptionStore} first.
 */
package mailshelf.store.subscription;
