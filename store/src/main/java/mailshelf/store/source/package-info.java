/**
 * Sources that data sets come from: databases of others, which are asked and never changed, and watched folders.
 * Open {@link mailshelf.store.source.Databases} first.
 */
package mailshelf.store.source;
