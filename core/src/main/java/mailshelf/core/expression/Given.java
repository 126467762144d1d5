package mailshelf.core.expression;

import mailshelf.core.data.ColumnType;

/**
 * A value that an expression knows by a name: the same in every row.
 *
 * @param value as pages hold values: text, a decimal, or an ISO date
 */
public record Given(ColumnType type, String value) {}
