package mailshelf.core.report;

import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.function.UnaryOperator;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** A text with fields in braces: {@code {cancelled} of {sailings} sailings}. */
public final class MergeText {
    /** One field; its name is group 1. */
    public static final Pattern FIELD = Pattern.compile("\\{([^{}\\n]+)}");

    private static final Pattern OPEN = Pattern.compile("\\{[^{}\\n]*(?=[{\\n]|\\z)");

    /** Fields that tell of the page itself, which every text may have. */
    static final List<String> ABOUT_PAGE = List.of("days", "figures to");

    private static final String VALUE_OF = "value of ";

    private MergeText() {}

    /** The field that puts in a named value. */
    public static String valueOf(String name) {
        return VALUE_OF + name;
    }

    /** The named value that a field puts in; empty for any other field. */
    public static Optional<String> namedValue(String field) {
        return field.startsWith(VALUE_OF) ? Optional.of(field.substring(VALUE_OF.length())) : Optional.empty();
    }

    /** Whether a name can stand in braces, with what stands there otherwise behind a semicolon. */
    public static boolean isField(String name) {
        return FIELD.matcher("{" + name + "}").matches() && !name.contains(";");
    }

    /** Where a brace begins that is no field, as it is not closed in its line. */
    static OptionalInt openBrace(String text) {
        Matcher open = OPEN.matcher(text);
        return open.find() ? OptionalInt.of(open.start()) : OptionalInt.empty();
    }

    /** With each field replaced by what it says. */
    public static String filled(String text, UnaryOperator<String> fields) {
        return FIELD.matcher(text).replaceAll(found -> Matcher.quoteReplacement(fields.apply(found.group(1))));
    }
}
