package mailshelf.core.data.csv;

import java.util.Optional;
import java.util.regex.Pattern;

/** What stands between the whole and the parts of a file's numbers. Thousands may be set apart by the other or a space. */
public enum DecimalMark {
    POINT('.', ','),
    COMMA(',', '.');

    /** Space, no-break space, narrow no-break space, apostrophe. */
    private static final String SPACES = " \u00a0\u202f'";

    private final char mark;
    private final Pattern number;
    private final Pattern groups;

    DecimalMark(char mark, char grouping) {
        this.mark = mark;
        String between = "[" + SPACES + "\\" + grouping + "]";
        this.number = Pattern.compile("[-+−]?(\\d+|\\d{1,3}(" + between + "\\d{3})+)(\\" + mark + "\\d+)?");
        this.groups = Pattern.compile(between);
    }

    /** The number as a plain decimal text, "-1234.50", or empty where the text is none. */
    public Optional<String> read(String text) {
        if (isPlain(text)) {
            return Optional.of(text);
        }
        if (!number.matcher(text).matches()) {
            return Optional.empty();
        }
        String plain = groups.matcher(text).replaceAll("").replace(mark, '.').replace('−', '-');
        return Optional.of(plain.startsWith("+") ? plain.substring(1) : plain);
    }

    /** Most numbers are written as they are wanted; looking at their characters is far quicker than a pattern. */
    private boolean isPlain(String text) {
        int digits = text.startsWith("-") ? 1 : 0;
        int point = mark == '.' ? text.indexOf('.') : -1;
        for (int i = digits; i < text.length(); i++) {
            if (i != point && (text.charAt(i) < '0' || text.charAt(i) > '9')) {
                return false;
            }
        }
        return text.length() > digits && point != digits && point != text.length() - 1;
    }
}
