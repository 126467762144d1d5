/**
 * CSV as it comes from outside: found out how it is written, typed, and read into tables, or refused by row and column.
 * Open {@link mailshelf.core.data.csv.Inspection} first.
 */
package mailshelf.core.data.csv;
