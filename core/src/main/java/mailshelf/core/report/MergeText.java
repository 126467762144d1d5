package mailshelf.core.report;

import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.regex.Pattern;

/** A text with fields in braces: {@code {cancelled} of {sailings} sailings}. */
final class MergeText {
    /** One field; its name is group 1. */
    static final Pattern FIELD = Pattern.compile("\\{([^{}\\n]+)}");

    /** Fields that tell of the page itself, which every text may have. */
    static final List<String> ABOUT_PAGE = List.of("days", "figures to");

    private static final String VALUE_OF = "value of ";

    private MergeText() {}

    /** The named value that a field puts in; empty for any other field. */
    static Optional<String> namedValue(String field) {
        return field.startsWith(VALUE_OF) ? Optional.of(field.substring(VALUE_OF.length())) : Optional.empty();
    }

    /** With each field replaced by what it says. */
    static String filled(String text, UnaryOperator<String> fields) {
        return FIELD.matcher(text)
                .replaceAll(found -> java.util.regex.Matcher.quoteReplacement(fields.apply(found.group(1))));
    }
}
