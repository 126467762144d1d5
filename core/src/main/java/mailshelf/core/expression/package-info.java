/**
 * The small language of computed columns and conditions: read, typed, and computed over the rows of a table.
 * Open {@link mailshelf.core.expression.Expression} first.
 */
package mailshelf.core.expression;
