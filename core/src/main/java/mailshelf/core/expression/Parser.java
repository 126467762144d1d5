package mailshelf.core.expression;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import mailshelf.core.Problem;
import mailshelf.core.data.Cells;
import mailshelf.core.data.Column;
import mailshelf.core.data.NumberText;
import mailshelf.core.time.IsoDay;
import mailshelf.core.time.IsoTime;

/** Reads an expression by recursive descent, and types each part as it goes. */
final class Parser {
    private static final Set<String> COMPARISONS = Set.of("=", "<>", "<", "<=", ">", ">=");
    private static final Set<String> RESERVED = Set.of("if", "then", "else", "and", "or", "not", "is", "in", "missing");

    /** Deeper brackets than anybody writes by hand could exhaust the stack. */
    private static final int DEEPEST = 60;

    private static final int MOST_DIGITS = 18;

    private final List<Token> tokens;
    private final Map<String, Column> columns;
    private final Map<String, Given> given;
    private final Set<String> used = new HashSet<>();
    private int at;
    private int depth;

    Parser(List<Token> tokens, Map<String, Column> columns, Map<String, Given> given) {
        this.tokens = tokens;
        this.columns = columns;
        this.given = given;
    }

    Term whole() throws BadExpression {
        Term term = expression();
        if (next().kind() != Token.Kind.END) {
            String hint = next().isSign(",") ? "; decimals are written with a point, as in 1.19" : "";
            throw new BadExpression(next().position(), "expected the end, not " + next() + hint);
        }
        return term;
    }

    /** The columns that it has read. */
    Set<String> used() {
        return used;
    }

    private Term expression() throws BadExpression {
        if (++depth > DEEPEST) {
            throw new BadExpression(next().position(), "this is nested more than " + DEEPEST + " deep");
        }
        try {
            return next().isWord("if") ? choice() : alternatives();
        } finally {
            depth--;
        }
    }

    private Term choice() throws BadExpression {
        take();
        int asked = next().position();
        Term.Truths condition = as(Term.Truths.class, expression(), asked, "a condition");
        word("then");
        int first = next().position();
        Term then = expression();
        word("else");
        int second = next().position();
        Term otherwise = expression();
        if (!then.type().equals(otherwise.type())) {
            throw new BadExpression(
                    second,
                    "\"else\" gives " + otherwise.type() + ", and \"then\" at character " + (first + 1) + " "
                            + then.type());
        }
        return Logic.choose(condition, then, otherwise);
    }

    private Term alternatives() throws BadExpression {
        int start = next().position();
        Term left = conditions();
        while (next().isWord("or")) {
            take();
            int second = next().position();
            Term right = conditions();
            left = Logic.or(truths(left, start), truths(right, second));
        }
        return left;
    }

    private Term conditions() throws BadExpression {
        int start = next().position();
        Term left = negation();
        while (next().isWord("and")) {
            take();
            int second = next().position();
            Term right = negation();
            left = Logic.and(truths(left, start), truths(right, second));
        }
        return left;
    }

    private Term negation() throws BadExpression {
        if (!next().isWord("not")) {
            return comparison();
        }
        take();
        int start = next().position();
        if (++depth > DEEPEST) {
            throw new BadExpression(start, "this is nested more than " + DEEPEST + " deep");
        }
        try {
            return Logic.not(truths(negation(), start));
        } finally {
            depth--;
        }
    }

    private Term comparison() throws BadExpression {
        Term left = sum();
        Token sign = next();
        if (sign.kind() == Token.Kind.SIGN && COMPARISONS.contains(sign.text())) {
            take();
            return compare(left, sum(), Logic.order(sign.text()), sign.position());
        }
        if (sign.isWord("in")) {
            take();
            return among(left, sign.position());
        }
        if (sign.isWord("is")) {
            take();
            boolean negated = next().isWord("not");
            if (negated) {
                take();
            }
            word("missing");
            Term.Truths missing = Logic.missing(left);
            return negated ? Logic.not(missing) : missing;
        }
        return left;
    }

    private Term among(Term left, int position) throws BadExpression {
        sign("(");
        Term.Truths any = compare(left, sum(), Logic.order("="), position);
        while (next().isSign(",")) {
            take();
            any = Logic.or(any, compare(left, sum(), Logic.order("="), position));
        }
        sign(")");
        return any;
    }

    private static Term.Truths compare(Term left, Term right, Logic.Order order, int position) throws BadExpression {
        return Logic.compare(left, right, order)
                .orElseThrow(
                        () -> new BadExpression(position, left.type() + " cannot be compared with " + right.type()));
    }

    private Term sum() throws BadExpression {
        Term left = product();
        while (next().isSign("+") || next().isSign("-") || next().isSign("&")) {
            Token sign = take();
            Term right = product();
            left = sign.text().equals("&") ? joined(left, right, sign) : added(left, right, sign);
        }
        return left;
    }

    private static Term added(Term left, Term right, Token sign) throws BadExpression {
        boolean plus = sign.text().equals("+");
        if (left instanceof Term.Numbers a && right instanceof Term.Numbers b) {
            return plus ? Arithmetic.add(a, b) : Arithmetic.subtract(a, b);
        }
        if (left instanceof Term.Days a && right instanceof Term.Numbers b) {
            return Calendar.moved(a, plus ? b : Arithmetic.negate(b));
        }
        if (!plus && left instanceof Term.Days a && right instanceof Term.Days b) {
            return Calendar.between(a, b);
        }
        if (left instanceof Term.Times a && right instanceof Term.Numbers b) {
            return Calendar.moved(a, plus ? b : Arithmetic.negate(b));
        }
        if (!plus && left instanceof Term.Times a && right instanceof Term.Times b) {
            return Calendar.between(a, b);
        }
        String hint = left instanceof Term.Texts || right instanceof Term.Texts ? "; texts are joined by &" : "";
        throw new BadExpression(
                sign.position(), left.type() + " " + sign.text() + " " + right.type() + " makes no sense" + hint);
    }

    /** Missing parts of a text are left out. */
    private static Term joined(Term left, Term right, Token sign) throws BadExpression {
        Term.Texts a = text(left, sign);
        Term.Texts b = text(right, sign);
        return new Term.Texts(cells -> {
            Cells.Texts lefts = a.over().apply(cells);
            Cells.Texts rights = b.over().apply(cells);
            return row -> joined(lefts.at(row), rights.at(row));
        });
    }

    /** Columns that are joined of each other, each twice from the one before, would fill the memory. */
    private static String joined(String left, String right) {
        if (left.length() + right.length() > Column.LONGEST_TEXT) {
            throw Problem.invalid("report.text-too-long", Column.LONGEST_TEXT);
        }
        return left + right;
    }

    private static Term.Texts text(Term of, Token sign) throws BadExpression {
        if (of instanceof Term.Texts texts) {
            return texts;
        }
        if (of instanceof Term.Numbers numbers) {
            return Functions.texts(numbers);
        }
        if (of instanceof Term.Days days) {
            return Functions.texts(days);
        }
        if (of instanceof Term.Times times) {
            return Calendar.texts(times);
        }
        throw new BadExpression(sign.position(), "a condition cannot be joined to a text");
    }

    private Term product() throws BadExpression {
        int start = next().position();
        Term left = signed();
        while (next().isSign("*") || next().isSign("/")) {
            boolean times = take().text().equals("*");
            int second = next().position();
            Term.Numbers right = as(Term.Numbers.class, signed(), second, "a number");
            Term.Numbers upper = as(Term.Numbers.class, left, start, "a number");
            left = times ? Arithmetic.multiply(upper, right) : Arithmetic.divide(upper, right);
        }
        return left;
    }

    private Term signed() throws BadExpression {
        if (!next().isSign("-")) {
            return primary();
        }
        take();
        int start = next().position();
        return Arithmetic.negate(as(Term.Numbers.class, primary(), start, "a number"));
    }

    private Term primary() throws BadExpression {
        Token token = take();
        return switch (token.kind()) {
            case NUMBER -> number(token);
            case DATE -> date(token);
            case TEXT -> new Term.Texts(cells -> row -> token.text());
            case COLUMN -> column(token);
            case NAME -> named(token);
            case SIGN -> bracketed(token);
            case END -> throw new BadExpression(token.position(), "something is missing at the end");
        };
    }

    private static Term number(Token token) throws BadExpression {
        Optional<BigDecimal> value = NumberText.read(token.text())
                .filter(number -> number.precision() <= MOST_DIGITS && number.scale() <= Column.MOST_DECIMALS);
        if (value.isEmpty()) {
            throw new BadExpression(
                    token.position(),
                    "a number has at most " + MOST_DIGITS + " digits, " + Column.MOST_DECIMALS + " of them decimals");
        }
        return Arithmetic.constant(value.get());
    }

    private static Term date(Token token) throws BadExpression {
        return IsoDay.read(token.text())
                .<Term>map(Calendar::day)
                .or(() -> IsoTime.read(token.text()).map(Calendar::time))
                .orElseThrow(() -> new BadExpression(token.position(), token + " is no day of the calendar"));
    }

    private static Term given(Given given) {
        return switch (given.type()) {
            case TEXT -> new Term.Texts(cells -> row -> given.value());
            case NUMBER ->
                Arithmetic.constant(
                        NumberText.read(given.value(), Column.MOST_DECIMALS).orElseThrow());
            case DATE -> Calendar.day(LocalDate.parse(given.value()));
            case TIME -> Calendar.time(LocalDateTime.parse(given.value()));
        };
    }

    private Term bracketed(Token token) throws BadExpression {
        if (!token.text().equals("(")) {
            throw new BadExpression(token.position(), "expected a value, not " + token);
        }
        Term inside = expression();
        sign(")");
        return inside;
    }

    private Term named(Token token) throws BadExpression {
        if (next().isSign("(")) {
            return call(token);
        }
        if (RESERVED.contains(token.text())) {
            throw new BadExpression(token.position(), "expected a value, not " + token);
        }
        return column(token);
    }

    private Term column(Token token) throws BadExpression {
        if (given.containsKey(token.text())) {
            return given(given.get(token.text()));
        }
        Column column = columns.get(token.text());
        if (column == null) {
            throw new BadExpression(
                    token.position(),
                    "no column " + token + "; there are "
                            + String.join(
                                    ", ",
                                    Stream.concat(columns.keySet().stream(), given.keySet().stream())
                                            .toList()),
                    token.text());
        }
        String name = column.name();
        used.add(name);
        return switch (column.type()) {
            case TEXT -> new Term.Texts(cells -> cells.texts(name));
            case NUMBER -> new Term.Numbers(column.decimals(), cells -> cells.numbers(name));
            case DATE -> new Term.Days(cells -> cells.days(name));
            case TIME -> new Term.Times(cells -> cells.times(name));
        };
    }

    private Term call(Token name) throws BadExpression {
        if (!Functions.has(name.text())) {
            throw new BadExpression(name.position(), "no function " + name + "; there are " + Functions.names());
        }
        take();
        List<Term> arguments = new ArrayList<>();
        if (!next().isSign(")")) {
            arguments.add(expression());
            while (next().isSign(",")) {
                take();
                arguments.add(expression());
            }
        }
        sign(")");
        Functions.Arguments given = new Functions.Arguments(name.text(), arguments);
        return Functions.of(given)
                .orElseThrow(() -> new BadExpression(
                        name.position(),
                        name.text() + "() takes " + Functions.takes(name.text()) + ", not (" + given.types() + ")"));
    }

    private Term.Truths truths(Term term, int position) throws BadExpression {
        return as(Term.Truths.class, term, position, "a condition");
    }

    private static <T extends Term> T as(Class<T> type, Term term, int position, String wanted) throws BadExpression {
        if (!type.isInstance(term)) {
            throw new BadExpression(position, "expected " + wanted + ", and this is " + term.type());
        }
        return type.cast(term);
    }

    private Token next() {
        return tokens.get(at);
    }

    private Token take() {
        Token taken = tokens.get(at);
        at = Math.min(at + 1, tokens.size() - 1);
        return taken;
    }

    private void word(String word) throws BadExpression {
        if (!next().isWord(word)) {
            throw new BadExpression(next().position(), "expected \"" + word + "\", not " + next());
        }
        take();
    }

    private void sign(String sign) throws BadExpression {
        if (!next().isSign(sign)) {
            throw new BadExpression(next().position(), "expected \"" + sign + "\", not " + next());
        }
        take();
    }
}
