/**
 * Keeps everything: the tables in H2 through plain JDBC, and the files of the archive and of loaded data.
 * Decides nothing about the job; a method writes or reads what core has decided, in the transaction it is given.
 * Open {@link mailshelf.store.Database} and {@link mailshelf.store.Tx} first.
 */
package mailshelf.store;
