package mailshelf.core.expression;

import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import mailshelf.core.data.Cells;
import mailshelf.core.data.Column;
import mailshelf.core.data.Computed;
import mailshelf.core.data.TableBuilder;

/**
 * What a publisher writes to have a column computed from others, or to say which rows count: {@code if delay > 10 then
 * "late" else "in time"}. The language is described in docs/report-format.md.
 */
public final class Expression {
    /** As conditions are kept as a column: "yes", "no", or nothing where it is unknown. */
    public static final String YES = "yes";

    private static final String NO = "no";
    private static final int LONGEST = 2000;

    private final Computed.Written written;
    private final Term term;

    private final ZoneId clocks;

    private Expression(Computed.Written written, Term term, ZoneId clocks) {
        this.written = written;
        this.term = term;
        this.clocks = clocks;
    }

    /**
     * @param columns that it may name
     * @param given what else it may name
     * @throws BadExpression where it cannot be read, or its types do not go together
     */
    public static Expression read(String text, Collection<Column> columns, Map<String, Given> given)
            throws BadExpression {
        if (text.length() > LONGEST) {
            throw new BadExpression(LONGEST, "an expression has at most " + LONGEST + " characters");
        }
        Map<String, Column> byName = new LinkedHashMap<>();
        columns.forEach(column -> byName.put(column.name(), column));
        // what is given is a part of what is meant: two columns that are written the same may differ by it
        String meant = given.isEmpty() ? text : text + " " + new TreeMap<>(given);
        ZoneId clocks = columns.stream()
                .flatMap(column -> column.zone().stream())
                .findFirst()
                .orElse(ZoneOffset.UTC);
        Parser parser = new Parser(Token.all(text), byName, given);
        Term term = parser.whole();
        return new Expression(new Computed.Written(meant, parser.used()), term, clocks);
    }

    public boolean isCondition() {
        return term instanceof Term.Truths;
    }

    /** What it gives, in words: "a number". */
    public String type() {
        return term.type();
    }

    /** A column of what it comes to in each row. */
    public Computed column(String name) {
        if (term instanceof Term.Numbers numbers) {
            return Computed.numbers(Column.number(name, numbers.decimals()), written, numbers.over());
        }
        if (term instanceof Term.Texts texts) {
            return Computed.texts(Column.text(name), written, texts.over());
        }
        if (term instanceof Term.Days days) {
            return Computed.days(Column.date(name), written, days.over());
        }
        if (term instanceof Term.Times times) {
            // what is computed with times is of the same clocks, whichever those are
            return Computed.times(Column.time(name, clocks), written, times.over());
        }
        Term.Truths truths = (Term.Truths) term;
        return Computed.texts(
                Column.text(name), written, cells -> words(truths.over().apply(cells)));
    }

    /** What it comes to where it names no column, as pages hold values; empty for nothing. */
    public Optional<String> value() {
        String name = "value";
        TableBuilder one = new TableBuilder(List.of(Column.text("row")), Optional.empty());
        one.add(List.of("1"));
        return Optional.of(one.build().with(List.of(column(name))).raw(name, 0)).filter(raw -> !raw.isEmpty());
    }

    private static Cells.Texts words(Term.TruthAt truths) {
        return row -> switch (truths.at(row)) {
            case YES -> YES;
            case NO -> NO;
            case UNKNOWN -> "";
        };
    }
}
