package mailshelf.core.named;

import java.util.List;
import java.util.function.UnaryOperator;
import mailshelf.core.data.Slice;

/**
 * A named value as it stands in a text.
 *
 * @param computed whether its values look like what they are: numbers and days, where others may be texts of digits
 * @param values none where it came to nothing
 * @param separator between them
 * @param lastWord before the last of them; "" for the separator
 */
public record InText(String name, boolean computed, List<String> values, String separator, String lastWord) {
    public InText {
        values = List.copyOf(values);
    }

    /** What stands there for who is not shown it. */
    public InText masked() {
        return new InText(name, false, values.isEmpty() ? values : List.of(Slice.MASK), separator, lastWord);
    }

    /**
     * "Terna, Rype and Lomvi".
     *
     * @param readable how a number or day is read
     */
    public String written(UnaryOperator<String> readable) {
        List<String> read = computed ? values.stream().map(readable).toList() : values;
        if (read.size() < 2 || lastWord.isEmpty()) {
            return String.join(separator, read);
        }
        int last = read.size() - 1;
        return String.join(separator, read.subList(0, last)) + " " + lastWord + " " + read.get(last);
    }
}
