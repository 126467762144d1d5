package mailshelf.core.data;

import java.util.Locale;
import mailshelf.core.Problem;
import mailshelf.core.wording.Shortened;

/** A value from outside that its column cannot hold, in words. */
public final class BadValue {
    private static final int QUOTED = 80;

    private BadValue() {}

    /** @param place where it stands, such as "line 3" */
    public static Problem.Fault fault(String place, Column column, String value) {
        String field = place + ", " + column.name();
        String where = place + ", column " + column.name();
        if (value.length() > Column.LONGEST_TEXT) {
            return new Problem.Fault(
                    field,
                    where + ": " + value.length() + " characters, of which a value may have " + Column.LONGEST_TEXT);
        }
        String type = column.type().name().toLowerCase(Locale.ROOT);
        return new Problem.Fault(field, where + ": \"" + Shortened.to(QUOTED, value) + "\" is not a " + type);
    }
}
