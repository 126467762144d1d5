package mailshelf.core.expression;

import mailshelf.core.data.ColumnType;

/**
 * A value that an expression knows by a name: the same in every row.
 *
 * @param value as pages hold values: text, a decimal, an ISO date, or such a date with a time
 */
public record Given(ColumnType type, String value) {}
