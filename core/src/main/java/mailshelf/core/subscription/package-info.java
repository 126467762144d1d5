/**
 * Decides what a subscription is: its terms, its states and the plain sentence that it reads as.
 * Each change of the terms is a new version; the state moves by the methods of Subscription alone.
 * Open {@link mailshelf.core.subscription.Subscription} first.
 */
package mailshelf.core.subscription;
