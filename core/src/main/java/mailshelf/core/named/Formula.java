package mailshelf.core.named;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import mailshelf.core.data.ColumnType;
import mailshelf.core.expression.BadExpression;
import mailshelf.core.expression.Expression;
import mailshelf.core.expression.Given;

/** A typed formula over dates and numbers, in the language that reports compute columns with. */
public final class Formula {
    private static final String TODAY = "today";

    private Formula() {}

    /**
     * @return a number, a day or a text as pages hold them; empty where a part is missing, as after a division by zero
     * @throws BadExpression where it cannot be read, or is a condition
     */
    public static Optional<String> value(String text, LocalDate today) throws BadExpression {
        Map<String, Given> given = Map.of(TODAY, new Given(ColumnType.DATE, today.toString()));
        Expression read = Expression.read(text, List.of(), given);
        if (read.isCondition()) {
            throw new BadExpression(0, "a named value is a number, a day or a text, and this is " + read.type());
        }
        return read.value();
    }
}
