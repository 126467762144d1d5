/**
 * Decides what figures come out of rows: typed columns, row rules, filters, windows of days, grouping
 * and measures.
 * A table never changes; a new load makes a new one.
 * Open {@link mailshelf.core.data.Table} first, then {@link mailshelf.core.data.Tally}.
 */
package mailshelf.core.data;
