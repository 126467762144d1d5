package mailshelf.core.expression;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A word or sign of an expression.
 *
 * @param text without the marks around it
 * @param position of its first character, from 0
 */
record Token(Kind kind, String text, int position) {
    private static final Pattern NEXT = Pattern.compile("""
            \\s*(?:
              (?<date>\\d{4}-\\d{2}-\\d{2}(?:T\\d{2}:\\d{2}(?::\\d{2})?)?)
            | (?<number>\\d+(?:\\.\\d+)?)
            | "(?<double>[^"]*)" | '(?<single>[^']*)'
            | \\[(?<column>[^\\]]+)\\]
            | (?<name>[\\p{L}_][\\p{L}\\p{Nd}_]*)
            | (?<foreign>==|!=|&&|\\|\\|)
            | (?<sign><=|>=|<>|[-+*/&=<>(),])
            | (?<end>\\z)
            )""", Pattern.COMMENTS);

    /** Signs of other languages, and what is written here. */
    private static final Map<String, String> FOREIGN = Map.of("==", "=", "!=", "<>", "&&", "and", "||", "or");

    /** What sort of word it is. */
    enum Kind {
        NUMBER,
        DATE,
        TEXT,
        /** A name in brackets, which is a column's. */
        COLUMN,
        NAME,
        SIGN,
        END
    }

    static List<Token> all(String expression) throws BadExpression {
        List<Token> tokens = new ArrayList<>();
        Matcher matcher = NEXT.matcher(expression);
        int at = 0;
        while (tokens.isEmpty() || tokens.get(tokens.size() - 1).kind() != Kind.END) {
            matcher.region(at, expression.length());
            if (!matcher.lookingAt()) {
                int where = firstNonSpace(expression, at);
                throw new BadExpression(where, unreadable(expression.charAt(where)));
            }
            String foreign = matcher.group("foreign");
            if (foreign != null) {
                throw new BadExpression(
                        matcher.start("foreign"), "write " + FOREIGN.get(foreign) + " instead of " + foreign);
            }
            tokens.add(token(matcher));
            at = matcher.end();
        }
        return tokens;
    }

    private static String unreadable(char sign) {
        return switch (sign) {
            case '"', '\'' -> "this text has no closing " + sign;
            case '[' -> "this bracket is not closed";
            default -> "this cannot be read";
        };
    }

    private static int firstNonSpace(String text, int from) {
        int at = from;
        while (at < text.length() && Character.isWhitespace(text.charAt(at))) {
            at++;
        }
        return at;
    }

    private static Token token(Matcher matcher) {
        if (matcher.group("date") != null) {
            return new Token(Kind.DATE, matcher.group("date"), matcher.start("date"));
        }
        if (matcher.group("number") != null) {
            return new Token(Kind.NUMBER, matcher.group("number"), matcher.start("number"));
        }
        if (matcher.group("double") != null) {
            return new Token(Kind.TEXT, matcher.group("double"), matcher.start("double") - 1);
        }
        if (matcher.group("single") != null) {
            return new Token(Kind.TEXT, matcher.group("single"), matcher.start("single") - 1);
        }
        if (matcher.group("column") != null) {
            return new Token(Kind.COLUMN, matcher.group("column"), matcher.start("column") - 1);
        }
        if (matcher.group("name") != null) {
            return new Token(Kind.NAME, matcher.group("name"), matcher.start("name"));
        }
        if (matcher.group("sign") != null) {
            return new Token(Kind.SIGN, matcher.group("sign"), matcher.start("sign"));
        }
        return new Token(Kind.END, "", matcher.start("end"));
    }

    boolean isSign(String sign) {
        return kind == Kind.SIGN && text.equals(sign);
    }

    boolean isWord(String word) {
        return kind == Kind.NAME && text.equals(word);
    }

    /** As a message names it. */
    @Override
    public String toString() {
        return kind == Kind.END ? "the end" : "\"" + text + "\"";
    }
}
