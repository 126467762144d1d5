/** Named values in H2. */
package mailshelf.store.named;
