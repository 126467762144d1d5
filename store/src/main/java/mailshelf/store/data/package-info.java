/**
 * Keeps data sets, their loads and the rows of each load.
 * Open {@link mailshelf.store.data.DataSetStore} first.
 */
package mailshelf.store.data;
